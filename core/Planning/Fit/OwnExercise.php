<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Fit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Choice\ExerciseChooser;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * What a client does for an exercise of somebody else's program: their own rung of its ladder, else the best swap that is open to them.
 */
final class OwnExercise
{
    /** @var array<string, Placement> by ladder */
    private readonly array $placed;

    private readonly ExerciseChooser $chooser;

    private readonly Swaps $swaps;

    private readonly Moves $moves;

    public function __construct(
        private readonly Library $library,
        Style $style,
        private readonly GoalRule $goal,
        private readonly Client $client,
    ) {
        $placements = (new Placer($library, $style))->place($client);
        $this->placed = array_combine(array_map(static fn (Placement $each): string => $each->ladder->id, $placements), $placements);
        $this->chooser = new ExerciseChooser($library, $style);
        $this->swaps = new Swaps($library, $style->plan->withoutLadders);
        $this->moves = new Moves($library, $goal, $style);
    }

    /**
     * @param  list<string>  $taken  rungs that the session has already
     * @return array{?Rung, int, ?Range, list<string>} the rung with its step and range, null where nothing stands in, and why
     */
    public function of(Rung $rung, array $taken): array
    {
        $own = isset($this->placed[$rung->ladder])
            ? $this->chooser->onLadder($this->client, $this->goal, $this->placed[$rung->ladder])
            : null;
        if ($own !== null && ! in_array($own->rung->id, $taken, true)) {
            return [$own->rung, $own->step, $own->range, $this->why($rung, $own)];
        }
        $reasons = $own === null
            ? [...$this->reasons($rung), sprintf('Nothing of %s is open to %s.', $this->ladder($rung), $this->client->name)]
            : [sprintf('%s is in this session already.', $own->rung->name)];
        foreach ($this->swaps->sameDirection($rung, $this->client) as $swap) {
            $there = $this->placed[$swap->rung->ladder]->rung ?? null;
            $isOver = $there === null || $swap->rung->level->value > $there->level->value;
            if (! in_array($swap->rung->id, $taken, true) && ! $isOver && $this->moves->isOpen($swap->rung, $this->client)) {
                return [$swap->rung, 0, null, [...$reasons, ...$swap->why]];
            }
        }

        return [null, 0, null, [...$reasons, 'Nothing that is open trains the same.']];
    }

    /** Whether the client may do an exercise as it is: open, and at most a level above where they stand. */
    public function isOpen(Rung $rung): bool
    {
        $stands = $this->placed[$rung->ladder]->rung->level->value ?? 0;
        $ability = Shown::by($this->client)->abilityIn($rung->category)->value ?? Placer::UNTESTED_LEVEL;

        return $this->moves->isOpen($rung, $this->client) && $rung->level->value <= max($stands, $ability) + 1;
    }

    private function ladder(Rung $rung): string
    {
        return lcfirst($this->library->ladderOf($rung)->name);
    }

    /** @return list<string> */
    private function why(Rung $rung, ExerciseChoice $own): array
    {
        return $own->rung === $rung ? [sprintf('The step that %s is at.', $this->client->name)] : [
            ...$this->reasons($rung),
            sprintf('%s is where %s stands on %s.', $own->rung->name, $this->client->name, $this->ladder($rung)),
        ];
    }

    /** @return list<string> why the exercise itself is not open */
    private function reasons(Rung $rung): array
    {
        $reasons = Obstacles::between($this->client, $rung, $this->library)->sentences($this->library);
        if (! $this->moves->isMeant($rung)) {
            $reasons[] = sprintf('does not fit the goal %s or the house style', lcfirst($this->goal->name));
        }

        return array_map(static fn (string $reason): string => sprintf('%s %s.', $rung->name, $reason), $reasons);
    }
}
