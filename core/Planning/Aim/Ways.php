<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Aim;

use Generator;

/**
 * Ways to fill a session that differ from one by a little.
 */
final class Ways
{
    /** Sets that an exercise more comes with, where they have room. */
    private const AT_ONCE = 2;

    /** Sets at most that an exercise comes with in the place of another. */
    private const MOST_AT_ONCE = 3;

    /**
     * One exercise more, with two sets or where they have no room with one, or one set more of one that is there; in a circuit one station
     * or one round.
     *
     * @param  array<int, int>  $way
     * @param  array<int, int>  $tally  of it
     * @param  array<int, int>  $without  places that do not come
     * @return Generator<array{?int, array<int, int>, array<int, int>, int}> allowed ones: the place that is new, the way, its tally and
     *                                                                       its points
     */
    public static function more(AimedSession $session, array $way, array $tally, array $without): Generator
    {
        // the last rest falls away
        $room = $session->lengthMs - $session->takes($tally) + $session->longestRestMs;
        $rounds = $session->circuit ? max([1, ...$way]) : null;
        $isFull = count($way) >= $session->most;
        foreach (array_keys($session->candidates) as $place) {
            $has = $way[$place] ?? 0;
            if ($has === 0 ? $isFull || isset($without[$place]) : ($rounds !== null || $has >= $session->mostSets)) {
                continue;
            }
            foreach ($has > 0 ? [1] : ($rounds === null ? [self::AT_ONCE, 1] : [$rounds]) as $sets) {
                $with = $session->costs($place, $sets) > $room ? null : $session->with($tally, $place, $has, $sets);
                $points = $with === null ? null : $session->points($with);
                if ($with !== null && $points !== null) {
                    yield [$has === 0 ? $place : null, [$place => $has + $sets] + $way, $with, $points];
                    break;
                }
            }
        }
        foreach ($rounds === null || $way === [] ? [] : self::inRounds($session, $way, $rounds + 1) as $to) {
            $with = $session->tally($to);
            $points = $session->points($with);
            if ($points !== null) {
                yield [null, $to, $with, $points];
            }
        }
    }

    /**
     * Everything that has one thing less: it alone, and with another in its place. Not all of it is allowed.
     *
     * @param  array<int, int>  $way
     * @return list<array<int, int>>
     */
    public static function changed(AimedSession $session, array $way): array
    {
        $ways = [];
        foreach ($way as $place => $sets) {
            $without = $way;
            unset($without[$place]);
            array_push($ways, ...($session->circuit
                ? self::withoutStation($session, $without, $sets)
                : self::withLess($session, $way, $without, $place)));
        }

        return $session->circuit && $way !== [] ? [...$ways, ...self::inRounds($session, $way, max($way) - 1)] : $ways;
    }

    /**
     * @param  array<int, int>  $way
     * @param  array<int, int>  $without  the same without one exercise
     * @return list<array<int, int>>
     */
    private static function withLess(AimedSession $session, array $way, array $without, int $place): array
    {
        $ways = [$without];
        $fewer = $without;
        if ($way[$place] > 1) {
            $fewer = $way;
            $fewer[$place]--;
            $ways[] = $fewer;
        }
        foreach (array_keys($session->candidates) as $other) {
            if ($other !== $place && isset($way[$other])) {
                if ($way[$other] < $session->mostSets) {
                    $ways[] = [$other => $way[$other] + 1] + $fewer;
                }

                continue;
            }
            for ($sets = 1; $other !== $place && $sets <= min(self::MOST_AT_ONCE, $session->mostSets); $sets++) {
                $ways[] = $without + [$other => $sets];
                if ($fewer !== $without && $sets < self::MOST_AT_ONCE) {
                    $ways[] = $fewer + [$other => $sets];
                }
            }
        }

        return $ways;
    }

    /**
     * @param  array<int, int>  $without
     * @return list<array<int, int>>
     */
    private static function withoutStation(AimedSession $session, array $without, int $rounds): array
    {
        $ways = [$without, ...self::inRounds($session, $without, $rounds + 1), ...self::inRounds($session, $without, $rounds - 1)];
        foreach (array_keys($session->candidates) as $other) {
            if (! isset($without[$other])) {
                array_push(
                    $ways,
                    $without + [$other => $rounds],
                    ...self::inRounds($session, $without + [$other => $rounds], $rounds - 1),
                );
            }
        }

        return $ways;
    }

    /**
     * @param  array<int, int>  $way  of a circuit
     * @return list<array<int, int>> the same in so many rounds, none where it may not have so many
     */
    private static function inRounds(AimedSession $session, array $way, int $rounds): array
    {
        return $rounds < 1 || $rounds > $session->mostSets ? [] : [array_map(static fn (): int => $rounds, $way)];
    }
}
