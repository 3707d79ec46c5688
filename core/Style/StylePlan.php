<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Rung;

/**
 * What follows from a house style for the plan, beside its numbers.
 */
final class StylePlan
{
    /** Categories beside the directions that a style adds where it says nothing of them. */
    public const USUAL_ACCESSORIES = [Category::Hip, Category::ShoulderGirdle, Category::Integrated];

    /** Weeks until the next step of a dose is expected, where a style says nothing of it (house rule). */
    public const USUAL_WEEKS_PER_STEP = 2;

    /**
     * @param  bool  $struggle  a ladder that was tested starts on the rung above the highest clean one
     * @param  SetOrder  $order  of the exercises of a session
     * @param  int  $lighterEvery  every so many weeks one is lighter; 0 for never
     * @param  bool  $circuit  the main part runs in rounds whatever the goal
     * @param  list<Category>  $accessories  categories beside the directions, in the order they are added
     * @param  list<string>  $withoutLadders  ladders that it does not plan
     * @param  list<string>  $withoutRungs  rungs that it passes over
     * @param  bool  $highReps  light accessories are done in many repetitions
     * @param  bool  $coreFirst  on days of light lifting the core goes first
     * @param  bool  $bothSidesOneRep  left and right together are written as one repetition
     * @param  int  $weeksPerStep  weeks until the next step of a dose is expected, 1 or more
     * @param  bool  $build  holds grow step by step up to the cap
     * @param  bool  $thenMove  no hold past the cap; after it comes the next rung that moves
     * @param  bool  $bySecond  a hold runs to the first fault, and its time is the score
     * @param  bool  $opensEasiest  whoever was not tested switches on with the first rung of the ladder, lying before all fours
     * @param  ?int  $mostExercises  of a session beside the switch-on, where the style says fewer than its minutes do
     * @param  array<string, int>  $roleShares  per cent of the work that each role is meant to get, by role; empty for none
     */
    public function __construct(
        public readonly bool $struggle,
        public readonly SetOrder $order,
        public readonly int $lighterEvery,
        public readonly bool $circuit,
        public readonly array $accessories,
        public readonly array $withoutLadders,
        public readonly array $withoutRungs,
        public readonly bool $highReps,
        public readonly bool $coreFirst,
        public readonly array $roleShares,
        public readonly bool $bothSidesOneRep,
        public readonly int $weeksPerStep,
        public readonly bool $build,
        public readonly bool $thenMove,
        public readonly bool $bySecond,
        public readonly bool $opensEasiest = false,
        public readonly ?int $mostExercises = null,
    ) {
    }

    /** How many directions one session may train at most. */
    public function mostDirections(): int
    {
        return min(count(Category::directions()), $this->mostExercises ?? PHP_INT_MAX);
    }

    public function notBySecond(): self
    {
        return $this->but(bySecond: false);
    }

    /** The same answers for somebody who wants an exercise that they leave out. */
    public function having(Rung $rung): self
    {
        $accessories = $rung->category->isDirection() || $rung->category === Category::Bracing ? $this->accessories : [
            $rung->category,
            ...array_filter($this->accessories, static fn (Category $each): bool => $each !== $rung->category),
        ];

        return $this->but(array_values($accessories), array_values(array_diff($this->withoutRungs, [$rung->id])));
    }

    /**
     * The same without more ladders, unless they are chosen.
     *
     * @param  list<string>  $ladders
     */
    public function without(array $ladders): self
    {
        return $this->but(withoutLadders: array_values(array_unique([...$this->withoutLadders, ...$ladders])));
    }

    /**
     * @param  list<Category>|null  $accessories
     * @param  list<string>|null  $withoutRungs
     * @param  list<string>|null  $withoutLadders
     */
    private function but(
        ?array $accessories = null,
        ?array $withoutRungs = null,
        ?bool $bySecond = null,
        ?array $withoutLadders = null,
    ): self {
        return new self(
            $this->struggle,
            $this->order,
            $this->lighterEvery,
            $this->circuit,
            $accessories ?? $this->accessories,
            $withoutLadders ?? $this->withoutLadders,
            $withoutRungs ?? $this->withoutRungs,
            $this->highReps,
            $this->coreFirst,
            $this->roleShares,
            $this->bothSidesOneRep,
            $this->weeksPerStep,
            $this->build,
            $this->thenMove,
            $bySecond ?? $this->bySecond,
            $this->opensEasiest,
            $this->mostExercises,
        );
    }
}
