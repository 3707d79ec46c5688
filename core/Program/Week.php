<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\OtherTraining;
use EvenRungs\Core\Time\Weekday;

/**
 * One week of a program.
 */
final class Week
{
    /**
     * @param  int  $number  1 is the first
     * @param  list<OtherTraining>  $otherTraining
     * @param  list<Session>  $sessions
     */
    public function __construct(
        public readonly int $number,
        public readonly array $otherTraining,
        public readonly array $sessions,
        public readonly Extras $x = new Extras,
    ) {
    }

    /** @param  list<Session>  $sessions */
    public function withSessions(array $sessions): self
    {
        return new self($this->number, $this->otherTraining, $sessions, $this->x);
    }

    /** The minutes and kit of a week away; null where the week is as usual. */
    public function away(): ?Away
    {
        $away = $this->x->get('away');
        if (! is_array($away)) {
            return null;
        }
        $days = [];
        foreach (is_array($away['days'] ?? null) ? $away['days'] : [] as $day => $minutes) {
            if (is_int($minutes)) {
                $days[(string) $day] = $minutes;
            }
        }

        return new Away($days, array_values(array_filter(is_array($away['equipment'] ?? null) ? $away['equipment'] : [], is_string(...))));
    }

    /** @return list<Weekday> days of a match */
    public function matches(): array
    {
        return array_values(
            array_filter(
                array_map(
                    static fn (mixed $day): ?Weekday => is_string($day) ? Weekday::tryFrom($day) : null,
                    $this->x->parts('matches'),
                ),
            ),
        );
    }

    /** The client as they are in this week. */
    public function clientIn(Client $client): Client
    {
        $away = $this->away();

        return $away === null ? $client : $client->inPlace($away->days, $away->equipment);
    }
}
