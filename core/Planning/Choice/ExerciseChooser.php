<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Choice;

use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Position;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\TimedHold;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Picks the rungs a program may use: the placed rung of each ladder, or one further down where the goal or the style asks for it; where a
 * direction or the switch-on has none, a swap that trains the same.
 */
final class ExerciseChooser
{
    public function __construct(private readonly Library $library, private readonly Style $style)
    {
    }

    /**
     * @param  list<Placement>  $placements
     * @return array<string, list<ExerciseChoice>> by category code, best first
     */
    public function choices(Client $client, GoalRule $goal, array $placements): array
    {
        $choices = [];
        foreach (Category::cases() as $category) {
            $own = array_values(
                array_filter(
                    $placements,
                    fn (Placement $each): bool => $each->ladder->category === $category && $this->uses($each->ladder->id, $client->ladders),
                ),
            );
            $found = array_values(
                array_filter(array_map(fn (Placement $each): ?ExerciseChoice => $this->onLadder($client, $goal, $each), $own)),
            );
            if ($found === [] && ($category->isDirection() || $category === Category::Bracing)) {
                $found = $this->fromSwaps($client, $goal, $own);
            }
            $choices[$category->value] = $this->ranked($found, $goal);
        }

        return $choices;
    }

    /** @param  list<string>|null  $only */
    private function uses(string $ladder, ?array $only): bool
    {
        return $only === null ? ! in_array($ladder, $this->style->plan->withoutLadders, true) : in_array($ladder, $only, true);
    }

    /** Where the client trains on a ladder; null where nothing of it is planned. */
    public function onLadder(Client $client, GoalRule $goal, Placement $placement): ?ExerciseChoice
    {
        if ($placement->rung === null) {
            return null;
        }
        $moves = new Moves($this->library, $goal, $this->style);
        $opening = $this->opening($placement, $client, $moves);
        if ($opening !== null) {
            return new ExerciseChoice($opening, $this->ground($placement, $client), false, [
                sprintf('%s begins with the easiest rung that was not shown clean: %s.', $this->style->name, $opening->name),
            ]);
        }
        $start = $this->start($placement, $client, $moves);
        foreach ($placement->ladder->downFrom($start) as $rung) {
            if (! $moves->isOpen($rung, $client)) {
                continue;
            }
            $why = $placement->why;
            if ($rung === $start && $start !== $placement->rung) {
                $why[] = sprintf('%s starts on the first rung that is a struggle: %s.', $this->style->name, $rung->name);
            } elseif ($rung !== $placement->rung) {
                $why[] = $goal->levelCap !== null && $placement->rung->level->value > $goal->levelCap
                    ? sprintf('%s asks for level %d at most: %s.', $goal->name, $goal->levelCap, $rung->name)
                    : sprintf('Planned on %s: the goal or the style asks for a lower rung.', $rung->name);
            }
            $stays = $rung === $placement->rung;

            return new ExerciseChoice(
                $rung,
                $this->ground($placement, $client),
                false,
                $why,
                $stays ? $placement->step : 0,
                $stays ? $placement->range : null,
            );
        }

        return null;
    }

    /**
     * Where a client stands who is placed: where they train, so that what is done there is judged there. That is the placed rung, the
     * struggle above it that the style begins with, or a rung further down where the goal or the style asks for one; null where nothing is
     * allowed.
     */
    public function standsOn(Client $client, GoalRule $goal, Placement $placement): ?ExerciseChoice
    {
        $placed = $placement->rung;

        return $placed === null ? null : $this->onLadder($client, $goal, $placement) ?? new ExerciseChoice(
            $placed,
            $placement->basis,
            false,
            $placement->why,
            $placement->step,
            $placement->range,
        );
    }

    /**
     * In styles of the deep layers first, what somebody who was not tested switches on with: the first rung of the ladder that is open, up
     * to where they are placed; null where the placed rung is meant.
     */
    private function opening(Placement $placement, Client $client, Moves $moves): ?Rung
    {
        $isUntested = in_array($this->ground($placement, $client), [Basis::Ability, Basis::Entry, Basis::None], true);
        $placed = $placement->rung === null ? null : $placement->ladder->indexOf($placement->rung->id);
        if (! $this->style->plan->opensEasiest || $placement->ladder->category !== Category::Bracing || ! $isUntested || $placed === null) {
            return null;
        }
        foreach (array_slice($placement->ladder->rungs, 0, $placed) as $rung) {
            if ($moves->isOpen($rung, $client)) {
                return $rung;
            }
        }

        return null;
    }

    /** The placed rung, or where the style starts with a struggle the next open one above what was tested, one level up at most. */
    private function start(Placement $placement, Client $client, Moves $moves): Rung
    {
        $placed = $placement->rung ?? $placement->ladder->rungs[0];
        $above = $this->style->plan->struggle && in_array(
            $placement->basis,
            [Basis::HighestClean, Basis::Test],
            true,
        ) ? $moves->up($placed, $client) : null;

        return $above !== null && $above->level->value <= $placed->level->value + 1 ? $above : $placed;
    }

    /**
     * What a standing rests on: a test or a step that was climbed, a typed ability, or only the first rung of a ladder that begins high.
     */
    private function ground(Placement $placement, Client $client): Basis
    {
        $rung = $placement->rung;
        if ($placement->basis !== Basis::Standing || $rung === null) {
            return $placement->basis;
        }
        $clean = $client->tests->ladders[$placement->ladder->id] ?? null;
        $tested = $clean !== null
            && $placement->ladder->indexOf($clean->lower($placement->ladder)->id) >= $placement->ladder->indexOf($rung->id);

        return match (true) {
            $tested, $placement->step > 0 => Basis::HighestClean,
            $rung->timedTest !== null && TimedHold::of($rung->timedTest, $client->tests) !== null => Basis::Test,
            $rung === $placement->ladder->rungs[0] && $rung->level->value > (
                Shown::by($client)->abilityIn($rung->category)->value ?? Placer::UNTESTED_LEVEL
            ) => Basis::Entry,
            default => Basis::Ability,
        };
    }

    /**
     * @param  list<Placement>  $placements
     * @return list<ExerciseChoice>
     */
    private function fromSwaps(Client $client, GoalRule $goal, array $placements): array
    {
        $moves = new Moves($this->library, $goal, $this->style);
        $found = [];
        foreach ($placements as $placement) {
            $rung = $placement->swap;
            if ($rung !== null && ! isset($found[$rung->id]) && $moves->isOpen($rung, $client)) {
                $found[$rung->id] = new ExerciseChoice($rung, Basis::None, true, [
                    sprintf('In place of %s, where nothing is allowed.', lcfirst($placement->ladder->name)),
                ]);
            }
        }

        return array_values($found);
    }

    /**
     * @param  list<ExerciseChoice>  $choices
     * @return list<ExerciseChoice>
     */
    private function ranked(array $choices, GoalRule $goal): array
    {
        $rank = static fn (ExerciseChoice $choice): array => [
            $goal->standingFirst && ! in_array($choice->rung->position, [Position::Standing, Position::Seated], true),
            $choice->doubt(),
            -$choice->rung->level->value,
        ];
        usort($choices, static fn (ExerciseChoice $a, ExerciseChoice $b): int => $rank($a) <=> $rank($b));

        return $choices;
    }
}
