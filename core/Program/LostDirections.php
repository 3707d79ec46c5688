<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;

/**
 * Names the directions that a change takes from the weeks of a program, so that none is lost unsaid.
 */
final class LostDirections
{
    /** A direction that is trained so often in a week is covered whatever it lost. */
    private const COVERED = 2;

    /** The changed program with a gap for each direction of each week that it has less of than before. */
    public static function named(Program $before, Program $after, Library $library, string $why): Program
    {
        $gaps = $after->gaps;
        foreach ($after->weeks as $i => $week) {
            if ($before->weeks[$i]->sessions === $week->sessions) {
                continue;
            }
            [$was, $is] = [DirectionShares::sessionsOf($before->weeks[$i], $library), DirectionShares::sessionsOf($week, $library)];
            foreach (Category::directions() as $direction) {
                $named = array_filter($gaps, static fn (Gap $gap): bool => $gap->category === $direction && $gap->week === $week->number);
                if ($named === [] && $is[$direction->value] < min($was[$direction->value], self::COVERED)) {
                    $gaps[] = new Gap($direction, $week->number, $why);
                }
            }
        }

        return $after->withGaps($gaps);
    }
}
