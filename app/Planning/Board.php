<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client as ClientRow;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Referral;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Choice\ExerciseChooser;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Review\Evenness\DirectionLevels;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Everything that is known of one client, in the core's own terms.
 */
final class Board
{
    private ?Steps $steps = null;

    /**
     * @param  Style  $style  house style of the plan
     * @param  GoalRule  $goal  what the client's goal asks
     * @param  list<Placement>  $placements  where the client stands, one for each ladder
     * @param  list<Referral>  $referrals  why planning stops; empty when it may go on
     * @param  ?string  $undo  what the next undo takes back
     * @param  ?string  $redo  what the next redo does again
     * @param  array<string, bool>  $logged  planned sessions that have a log, by key; true while it is still run
     * @param  array<string, array{kg: ?float, band: ?string, on: string}>  $loads  the newest weight or band of each rung
     * @param  list<string>  $trained  ladders of which anything was ever done: what was trained was seen
     */
    public function __construct(
        public readonly ClientRow $record,
        public readonly Client $client,
        public readonly Style $style,
        public readonly GoalRule $goal,
        public readonly array $placements,
        public readonly ?Program $program,
        public readonly array $referrals,
        public readonly ?string $undo,
        public readonly ?string $redo,
        public readonly array $logged = [],
        public readonly array $loads = [],
        public readonly array $trained = [],
    ) {
    }

    /** The same board with another program, and the style that it was planned by. */
    public function with(Program $program, ?Style $style = null): self
    {
        return new self(
            $this->record,
            $this->client,
            $style ?? $this->style,
            $this->goal,
            $this->placements,
            $program,
            $this->referrals,
            $this->undo,
            $this->redo,
            $this->logged,
            $this->loads,
            $this->trained,
        );
    }

    /** @return list<Placement> where a ladder is in the program; all where there is none */
    public function inUse(Library $library): array
    {
        $ladders = [];
        foreach ($this->program->weeks ?? [] as $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->entries() as $entry) {
                    $ladders[$library->find($entry->exercise)->ladder ?? ''] = true;
                }
            }
        }

        return array_values(
            array_filter(
                $this->placements,
                static fn (Placement $each): bool => $each->rung !== null && ($ladders === [] || isset($ladders[$each->ladder->id])),
            ),
        );
    }

    public function levels(Library $library): DirectionLevels
    {
        return DirectionLevels::of($this->inUse($library), $this->trained);
    }

    /** The steps of rungs as this client climbs them. */
    public function steps(): Steps
    {
        return $this->steps ??= new Steps($this->style, $this->client);
    }

    /** Where the client trains on a ladder, after what the goal and the style leave out; null where nothing of it is planned. */
    public function trainsOn(Placement $placement, Library $library): ?ExerciseChoice
    {
        return (new ExerciseChooser($library, $this->style))->onLadder($this->client, $this->goal, $placement);
    }
}
