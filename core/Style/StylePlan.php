<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

use EvenRungs\Core\Ladder\Category;

/**
 * What follows from a house style for the plan, beside its numbers.
 */
final class StylePlan
{
    /**
     * @param  bool  $repeats  holds are broken into short repeats
     * @param  bool  $struggle  a ladder that was tested starts on the rung above the highest clean one
     * @param  SetOrder  $order  of the exercises of a session
     * @param  int  $stepsAhead  steps of the dose above the start, from the first week
     * @param  int  $lighterEvery  every so many weeks one is lighter; 0 for never
     * @param  bool  $circuit  the main part runs in rounds whatever the goal
     * @param  list<Category>  $accessories  categories beside the directions, in the order they are added
     * @param  list<string>  $withoutLadders  ladders that it does not plan
     * @param  list<string>  $withoutRungs  rungs that it passes over
     * @param  bool  $descending  sets of ten-second repeats shrink from set to set
     * @param  bool  $highReps  light accessories are done in many repetitions
     * @param  bool  $coreFirst  on days of light lifting the core goes first
     * @param  bool  $bothSidesOneRep  left and right together are written as one repetition
     * @param  int  $weeksPerStep  weeks until the next step of a dose is expected, 1 or more
     * @param  array<string, int>  $roleShares  per cent of the work that each role is meant to get, by role; empty for none
     */
    public function __construct(
        public readonly bool $repeats = false,
        public readonly bool $struggle = false,
        public readonly SetOrder $order = SetOrder::SkillFirst,
        public readonly int $stepsAhead = 0,
        public readonly int $lighterEvery = 0,
        public readonly bool $circuit = false,
        public readonly array $accessories = [Category::Hip, Category::ShoulderGirdle, Category::Integrated],
        public readonly array $withoutLadders = [],
        public readonly array $withoutRungs = [],
        public readonly bool $descending = false,
        public readonly bool $highReps = false,
        public readonly bool $coreFirst = false,
        public readonly array $roleShares = [],
        public readonly bool $bothSidesOneRep = false,
        public readonly int $weeksPerStep = 2,
    ) {
    }
}
