<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Position;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Basis;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Picks the rungs a program may use: the placed rung of each ladder, or one further down where the goal or the
 * typed ability asks for it; where a direction or the switch-on has none, a swap that trains the same.
 */
final class ExerciseChooser
{
    /** Above the typed ability by more than this, a rung is not planned even when it was done clean (house rule). */
    private const ABILITY_REACH = 2;

    public function __construct(private readonly Library $library, private readonly Style $style)
    {
    }

    /**
     * @param  list<Placement>  $placements
     * @param  list<string>|null  $only  ladders to draw on; null draws on all that the style does not leave out
     * @return array<string, list<ExerciseChoice>> by category code, best first
     */
    public function choices(Client $client, GoalRule $goal, array $placements, ?array $only = null): array
    {
        $choices = [];
        foreach (Category::cases() as $category) {
            $own = array_values(array_filter($placements, fn (Placement $each): bool => $each->ladder->category === $category && $this->uses($each->ladder->id, $only)));
            $found = in_array($category, $goal->without, true) ? [] : $this->fromLadders($client, $goal, $own);
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

    /**
     * @param  list<Placement>  $placements
     * @return list<ExerciseChoice>
     */
    private function fromLadders(Client $client, GoalRule $goal, array $placements): array
    {
        $found = [];
        foreach ($placements as $placement) {
            if ($placement->rung === null) {
                continue;
            }
            $start = $this->start($placement, $client, $goal);
            foreach ($placement->ladder->downFrom($start) as $rung) {
                if (in_array($rung->id, $this->style->plan->withoutRungs, true) || ! $this->suits($rung, $client, $goal, $placement->kept || $placement->basis === Basis::Entry) || ! Obstacles::between($client, $rung, $this->library)->isClear()) {
                    continue;
                }
                $why = $placement->why;
                if ($rung === $start && $start !== $placement->rung) {
                    $why[] = sprintf('%s starts on the first rung that is a struggle: %s.', $this->style->name, $rung->name);
                } elseif ($rung !== $placement->rung) {
                    $why[] = $goal->levelCap !== null && $placement->rung->level->value > $goal->levelCap
                        ? sprintf('%s asks for level %d at most: %s.', $goal->name, $goal->levelCap, $rung->name)
                        : sprintf('Planned on %s: the ability typed for this direction, or the goal, asks for a lower rung.', $rung->name);
                }
                $found[] = new ExerciseChoice($rung, $placement->basis, false, $why, $rung === $placement->rung ? $placement->step : 0);
                break;
            }
        }

        return $found;
    }

    /** The placed rung, or where the style starts with a struggle the next allowed one above what was tested. */
    private function start(Placement $placement, Client $client, GoalRule $goal): Rung
    {
        $placed = $placement->rung ?? $placement->ladder->rungs[0];
        if ($this->style->plan->struggle && in_array($placement->basis, [Basis::HighestClean, Basis::Test], true)) {
            foreach ($placement->ladder->above($placed) as $rung) {
                if (! in_array($rung->id, $this->style->plan->withoutRungs, true) && $this->suits($rung, $client, $goal, true) && Obstacles::between($client, $rung, $this->library)->isClear()) {
                    return $rung;
                }
            }
        }

        return $placed;
    }

    /**
     * @param  list<Placement>  $placements
     * @return list<ExerciseChoice>
     */
    private function fromSwaps(Client $client, GoalRule $goal, array $placements): array
    {
        $found = [];
        foreach ($placements as $placement) {
            $rung = $placement->swap;
            if ($rung !== null && ! isset($found[$rung->id]) && $this->suits($rung, $client, $goal, true)) {
                $found[$rung->id] = new ExerciseChoice($rung, Basis::None, true, [
                    sprintf('In place of %s, where nothing is allowed.', lcfirst($placement->ladder->name)),
                ]);
            }
        }

        return array_values($found);
    }

    private function suits(Rung $rung, Client $client, GoalRule $goal, bool $mayExceedAbility): bool
    {
        $typed = $client->abilityIn($rung->category);

        return $goal->allows($rung) && ($mayExceedAbility || $typed === null || $rung->level->value <= $typed->value + self::ABILITY_REACH);
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
