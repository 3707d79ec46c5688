<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

use EvenRungs\Core\Writing;

/**
 * When load is added: two repetitions or more over the goal in the last set of two sessions running (Haff GG, Triplett NT, eds,
 * Essentials of Strength Training and Conditioning, 4th ed. 2016, from memory). The step is 2 to 10 per cent (ACSM (2009) Med Sci
 * Sports Exerc 41(3):687–708, from memory); where the smallest weight is more than that, repetitions, lever or hold come first.
 */
final class TwoForTwo
{
    private const OVER = 2;

    private const SESSIONS = 2;

    private const MOST_PERCENT = 10;

    /** Kilograms by which hand weights usually differ (common practice, no source). */
    private const SMALLEST_STEP_KG = 1;

    /**
     * How often load is earned; after each the count starts again.
     *
     * @param  int  $goal  repetitions
     * @param  list<int>  $lastSets  repetitions in the last set of each session, oldest first
     */
    public static function times(int $goal, array $lastSets): int
    {
        $times = $running = 0;
        foreach ($lastSets as $reps) {
            $running = $reps >= $goal + self::OVER ? $running + 1 : 0;
            if ($running === self::SESSIONS) {
                $times++;
                $running = 0;
            }
        }

        return $times;
    }

    /** Whether the newest session earned it. */
    public static function isEarned(int $goal, int ...$lastSets): bool
    {
        return self::times($goal, array_values($lastSets)) > self::times($goal, array_slice(array_values($lastSets), 0, -1));
    }

    /**
     * What follows for the load, from the newest weight and goal on.
     *
     * @param  list<array{int|float|string, int, int}>  $lastSets  kilograms or name of the band, goal and repetitions in the last set of
     *                                                             each session, oldest first
     * @return ?string null where nothing is earned
     */
    public static function advice(array $lastSets, Bands $bands): ?string
    {
        [$load, $goal] = $lastSets[count($lastSets) - 1] ?? [0, 0];
        $same = array_filter($lastSets, static fn (array $set): bool => $set[0] === $load && $set[1] === $goal);
        if (! self::isEarned($goal, ...array_column($same, 2))) {
            return null;
        }

        return is_string($load) ? self::ofBand($load, $bands) : ($load > 0 ? self::ofWeight($load) : null);
    }

    /** A step from band to band is taken where it is known to be a tenth at most; where nobody measured the pull, that is said. */
    private static function ofBand(string $name, Bands $bands): ?string
    {
        $band = $bands->find($name);
        $next = $band === null ? null : $bands->heavier($band);
        if ($band === null || $next === null) {
            return $band === null ? null : sprintf(
                'Two repetitions over in two sessions on the heaviest band, %s: repetitions or lever next.',
                $band->name,
            );
        }
        if ($band->pullKg === null || $next->pullKg === null) {
            return sprintf(
                'Two repetitions over the goal in the last set of two sessions: the band after %s is %s. Nobody measured how '
                    .'much more it pulls: where the form goes, repetitions or lever first.',
                $band->name,
                $next->name,
            );
        }

        return 100 * $next->pullKg > (100 + self::MOST_PERCENT) * $band->pullKg
            ? sprintf(
                'Two repetitions over in two sessions, but the band after %s, %s, pulls %s for %s, over a tenth more: '
                    .'repetitions or lever first.',
                $band->name,
                $next->name,
                Writing::load($next->pullKg),
                Writing::load($band->pullKg),
            )
            : sprintf(
                'Two repetitions over the goal in the last set of two sessions: the %s band next, from %s.',
                $next->name,
                $band->name,
            );
    }

    private static function ofWeight(int|float $kg): string
    {
        $next = self::next($kg, self::SMALLEST_STEP_KG);

        return $next === null
            ? sprintf(
                'Two repetitions over in two sessions, but %s more is over a tenth of %s: repetitions or lever first.',
                Writing::load(self::SMALLEST_STEP_KG),
                Writing::load($kg),
            )
            : sprintf(
                'Two repetitions over the goal in the last set of two sessions: %s next, from %s.',
                Writing::load($next),
                Writing::load($kg),
            );
    }

    /**
     * @param  int|float  $kg  now
     * @param  int|float  $smallest  kg by which the weights to hand differ
     * @return int|float|null the next weight; null where the smallest step is too big, so that other ways come first
     */
    public static function next(int|float $kg, int|float $smallest): int|float|null
    {
        return 100 * $smallest <= self::MOST_PERCENT * $kg ? $kg + $smallest : null;
    }
}
