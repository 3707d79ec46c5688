<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Time\Weekday;

/**
 * What may keep a direction short in a week, each with the client without it.
 */
final class GapLifts
{
    /** What may leave a direction without any exercise, that which is lifted most easily first. */
    public const OF_CHOICE = ['kit', 'ladders-chosen', 'goal', 'barred', 'level'];

    /** What may leave it without a place in the week. */
    public const OF_PLACE = ['minutes', 'light-day', 'days'];

    /** Minutes of a day that hold a whole session (house rule). */
    private const WHOLE_MINUTES = 45;

    /** A level at which the first rungs of every ladder of the four directions are open (house rule). */
    private const OPEN_LEVEL = 5;

    public function __construct(private readonly Library $library)
    {
    }

    /** The client without it; the very same where it is not there. */
    public function lift(string $code, Client $client, Category $direction): Client
    {
        $days = $client->days ?? [];
        $most = $days === [] ? 0 : max($days);

        return match ($code) {
            'kit' => $client->but(equipment: array_keys($this->library->equipment)),
            'ladders-chosen' => $client->ladders === null ? $client : $client->but(
                ladders: array_map(static fn (Ladder $ladder): string => $ladder->id, $this->library->ladders),
            ),
            'goal' => $client->goal === Goal::General ? $client : $client->but(goal: Goal::General),
            'barred' => $client->limits === [] ? $client : $client->but(limits: []),
            'level' => $client->but(ability: [...$client->ability, $direction->value => Level::of(self::OPEN_LEVEL)]),
            'minutes' => $client->but(
                days: array_map(static fn (int $minutes): int => $minutes === 0 ? 0 : max($minutes, self::WHOLE_MINUTES), $days),
            ),
            'light-day' => $client->otherTraining === [] ? $client : $client->but(otherTraining: []),
            default => $client->but(days: array_fill_keys(
                array_map(static fn (Weekday $day): string => $day->value, Weekday::cases()),
                $most,
            )),
        };
    }

    /** @param  list<string>  $codes */
    public function all(array $codes, Client $client, Category $direction): Client
    {
        foreach ($codes as $code) {
            $client = $this->lift($code, $client, $direction);
        }

        return $client;
    }
}
