<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * How much stands in one session: fewer exercises with two sets or three of each, not many with one (house rule).
 */
final class SessionShape
{
    /** Exercises at most beside bracing, by minutes up to which; the last for all that is longer (house rule). */
    private const MOST = [8 => 3, 15 => 4, 25 => 6, 40 => 7, 1440 => 8];

    private const MOST_OF_LEARNERS = 5;

    /** Directions that a session under the hard line has room for, with two sets each (house rule). */
    public const LIGHT_DIRECTIONS = 2;

    /** From so many minutes on a stand-alone session is prepared and brought down: a tenth of it each, in pieces, at most so long. */
    public const PREPARED_FROM_MINUTES = 15;

    public const PREPARED_PIECE_S = 30;

    private const MOST_WARM_UP_S = 180;

    private const MOST_COOL_DOWN_S = 120;

    /** @return array{Seconds, Seconds} warm-up and cool-down of a stand-alone session of a length (house rule) */
    public static function preparation(Seconds $length): array
    {
        if ($length->ms < 60_000 * self::PREPARED_FROM_MINUTES) {
            return [Seconds::zero(), Seconds::zero()];
        }
        $tenth = intdiv($length->ms, 10_000 * self::PREPARED_PIECE_S) * self::PREPARED_PIECE_S;

        return [Seconds::of(min($tenth, self::MOST_WARM_UP_S)), Seconds::of(min($tenth, self::MOST_COOL_DOWN_S))];
    }

    /**
     * @param  ?Client  $client  null where nobody is meant
     * @param  ?Style  $style  that may say fewer; null where none is meant
     */
    public static function mostExercises(Seconds $length, ?Client $client, ?Style $style = null): int
    {
        $most = self::MOST[1440];
        foreach (self::MOST as $minutes => $count) {
            if ($length->ms <= 60_000 * $minutes) {
                $most = $count;
                break;
            }
        }

        return min($most, self::learns($client) ? self::MOST_OF_LEARNERS : $most, $style->plan->mostExercises ?? $most);
    }

    /** Whether somebody learns: they train fewer exercises, and the same again (house rule). */
    public static function learns(?Client $client): bool
    {
        return $client !== null && (
            in_array($client->goal, [Goal::Rehab, Goal::Youth, Goal::HealthyAgeing], true) || Age::of($client)->isUnderAge()
        );
    }
}
