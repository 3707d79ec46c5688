<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Testing;

/**
 * The staged leg-loading test: five levels, one after the other, until the back moves. The score is the last level held
 * before the first that was not; a pass above a fail does not count.
 *
 * Source: Sahrmann SA (2002); Stanton R et al. (2004) J Strength Cond Res 18(3):522–528 (from memory).
 */
final class StagedTest
{
    public const LEVELS = 5;

    /**
     * @param  array<int, bool>  $held  by level, 1 to 5; a level that was not tried is not there
     * @return int<0, 5> 0 where the first level was not held
     */
    public static function score(array $held): int
    {
        for ($level = 1; $level <= self::LEVELS; $level++) {
            if (! ($held[$level] ?? false)) {
                return max(0, $level - 1);
            }
        }

        return self::LEVELS;
    }
}
