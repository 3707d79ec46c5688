<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\WhyNot;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Planning\Choice\ExerciseChooser;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Note;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Says of every ladder that the trainer chose and that a plan does not hold why it does not.
 */
final class ChosenLadders
{
    /** @param  array<string, GoalRule>  $goals  by goal */
    public function __construct(private readonly Library $library, private readonly Style $style, private readonly array $goals)
    {
    }

    public function noted(Program $program, Client $client): Program
    {
        $notes = [];
        foreach ($this->missing($program, $client) as $ladder) {
            $rung = $this->rung($ladder, $client);
            $answer = (new WhyNot($this->library, $this->style, $this->goals))->of($client, $rung);
            $notes[] = new Note(1, null, Note::LADDER_UNUSED, sprintf(
                '%s was chosen and is not in the first week (%s). %s',
                $ladder->name,
                $rung->name,
                implode(' ', array_map(static fn (Lift $lift): string => $lift->text, $answer->reasons)),
            ));
        }

        return $notes === [] ? $program : new Program(
            $program->weeks,
            $program->title,
            $program->style,
            $program->client,
            $program->gaps,
            $program->x,
            [...$program->notes, ...$notes],
        );
    }

    /** @return list<Ladder> */
    private function missing(Program $program, Client $client): array
    {
        $entries = array_merge([], ...array_map(
            static fn (Session $session): array => $session->entries(),
            $program->weeks[0]->sessions ?? [],
        ));
        $there = array_map(fn (Entry $entry): ?string => $this->library->find($entry->exercise)?->ladder, $entries);

        return array_values(array_filter(
            $this->library->ladders,
            static fn (Ladder $ladder): bool => in_array($ladder->id, array_diff($client->ladders ?? [], $there), true),
        ));
    }

    /** What of a ladder would be planned for the client; the easiest rung where nothing would. */
    private function rung(Ladder $ladder, Client $client): Rung
    {
        foreach ((new Placer($this->library, $this->style))->place($client) as $placement) {
            if ($placement->ladder->id === $ladder->id) {
                $goal = GoalRule::for($client, $this->goals);

                return (new ExerciseChooser($this->library, $this->style))->onLadder($client, $goal, $placement)->rung ?? $ladder->rungs[0];
            }
        }

        return $ladder->rungs[0];
    }
}
