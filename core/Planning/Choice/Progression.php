<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Choice;

use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Where each exercise of a program is expected to be in a later week: one dose step further every so many training weeks as
 * the house style says, and on the next allowed rung when the steps are used up. Two weeks are usual: a step takes two clean
 * sessions, and two weeks leave room for one that is not (house rule). An expectation, not a promise: what is logged moves it.
 *
 * Where a step takes two weeks, half of the ladders step in one and half in the next, so that the week grows evenly. A lighter week steps
 * nowhere.
 */
final class Progression
{
    private const OVER_TYPED = 1;

    private const OVER_UNTYPED = 2;

    private readonly Moves $moves;

    public function __construct(
        Library $library,
        private readonly Style $style,
        private readonly Steps $steps,
        private readonly GoalRule $goal,
        private readonly Pace $pace = new Pace,
    ) {
        $this->moves = new Moves($library, $goal, $style);
    }

    public function isLight(int $week, int $weeks): bool
    {
        $every = $this->style->plan->lighterEvery;

        return $every > 0 && $week % $every === 0 && $week < $weeks;
    }

    /** Weeks of training before this one in which doses may grow; a lighter week stands where the week before it stood. */
    private function grown(int $week): int
    {
        $every = $this->style->plan->lighterEvery;

        return $week - 1 - ($every > 0 ? intdiv($week, $every) : 0);
    }

    /**
     * Steps that an exercise is expected to have taken by a week.
     *
     * @param  int  $turn  of the exercise among all that may be planned
     * @param  string  $ladder  of the exercise: at the client's own pace where logs show it, else the style's
     * @param  int  $held  weeks by which growth is held back
     */
    public function stepsBy(int $week, int $turn, string $ladder, int $held = 0): int
    {
        $each = $this->pace->on($ladder, $this->style->plan->weeksPerStep);

        return intdiv(max(0, $this->grown($week) - $held - $turn % $each), $each);
    }

    /**
     * The choices of the first week as they are expected to be in another.
     *
     * @param  array<string, list<ExerciseChoice>>  $choices  by category code
     * @param  int  $week  1 is the first
     * @param  int  $held  weeks by which growth is held back
     * @return array<string, list<ExerciseChoice>>
     */
    public function at(array $choices, int $week, int $held, Client $client): array
    {
        $later = [];
        $turn = 0;
        foreach ($choices as $category => $list) {
            $later[$category] = [];
            foreach ($list as $choice) {
                $later[$category][] = $this->after($choice, $this->stepsBy($week, $turn++, $choice->rung->ladder, $held), $client);
            }
        }

        return $later;
    }

    /**
     * Where somebody who stands on a rung today is expected to be in a week.
     *
     * @param  int  $step  of the rung's steps today, 0 the start
     * @param  ?Range  $range  done at today
     * @param  int  $week  1 is the first
     */
    public function expected(Rung $rung, int $step, ?Range $range, int $week, Client $client): ExerciseChoice
    {
        return $this->after(
            new ExerciseChoice($rung, Basis::HighestClean, false, [], $step, $range),
            $this->stepsBy($week, 0, $rung->ladder),
            $client,
        );
    }

    /** @param  int  $further  steps from where the choice stands */
    public function after(ExerciseChoice $choice, int $further, Client $client): ExerciseChoice
    {
        [$rung, $step, $range] = [$choice->rung, $this->steps->clamp($choice->rung, $choice->step), $choice->range];
        for (; $further > 0; $further--) {
            $on = $this->steps->further($rung, $step, $range);
            if ($on !== null) {
                [$step, $range] = $on;

                continue;
            }
            $next = $client->holds($rung) ? null : $this->moves->next($rung, $client);
            if ($next === null || ! $this->mayReach($next, $rung, $choice->rung, $client)) {
                break;
            }
            [$rung, $step, $range] = [$next, 0, null];
        }

        return $choice->at($rung, $step, $range);
    }

    /**
     * One level more at most; over where the client stands today, or a typed ability, one level where an ability is typed and two where
     * none is: beyond that the audit finds an error, and what is only expected must not cause one.
     */
    private function mayReach(Rung $next, Rung $from, Rung $today, Client $client): bool
    {
        $ability = Shown::by($client)->abilityIn($next->category);
        $known = max($ability->value ?? 0, $today->level->value);

        return $next->level->value <= $from->level->value + 1
            && $next->level->value <= $known + ($ability === null ? self::OVER_UNTYPED : self::OVER_TYPED);
    }
}
