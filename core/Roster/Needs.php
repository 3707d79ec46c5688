<?php

declare(strict_types=1);

namespace EvenRungs\Core\Roster;

use DateTimeImmutable;
use EvenRungs\Core\Body\ScreenDue;

/**
 * What one client needs on a day, and how soon.
 */
final class Needs
{
    /** A pain is recent, and a client was seen, for two weeks (house rule). */
    public const RECENT_DAYS = 14;

    /** @param  list<array{Need, ?DateTimeImmutable, ?int}>  $all  with the day and the number behind each, most urgent first */
    private function __construct(public readonly array $all)
    {
    }

    /**
     * @param  bool  $refers  a clinician must see the client first
     * @param  ?DateTimeImmutable  $painOn  day of the worst pain logged since `recentFrom`; null without one
     * @param  int  $pain  how bad it was, 0 to 10
     * @param  int  $waiting  verdicts that nobody answered
     * @param  ?DateTimeImmutable  $seen  day of the newest log
     */
    public static function on(DateTimeImmutable $today, bool $refers, ?DateTimeImmutable $painOn, int $pain, int $waiting, ?ScreenDue $due, ?DateTimeImmutable $seen): self
    {
        return new self(array_values(array_filter([
            $refers ? [Need::Refer, null, null] : null,
            $painOn !== null && $painOn >= self::recentFrom($today) && $pain > 0 ? [Need::Pain, $painOn, $pain] : null,
            $waiting > 0 ? [Need::Decision, null, $waiting] : null,
            $due?->isOver($today) === true ? [Need::Screen, $due->on, null] : null,
            $seen !== null && $seen < self::recentFrom($today) ? [Need::Unseen, $seen, null] : null,
        ])));
    }

    public static function recentFrom(DateTimeImmutable $today): DateTimeImmutable
    {
        return $today->modify(sprintf('-%d days', self::RECENT_DAYS));
    }

    /** Lower comes first in the list of clients. */
    public function rank(): int
    {
        return $this->all === [] ? count(Need::cases()) : $this->all[0][0]->rank();
    }
}
