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
        );
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
