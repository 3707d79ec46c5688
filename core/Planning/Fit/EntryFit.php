<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Fit;

use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * The exercises of a session, each on the client's own rung and step, with the program's sets as far as the goal has them.
 */
final class EntryFit
{
    private readonly OwnExercise $own;

    private readonly Steps $steps;

    /** @param  bool  $keeps  whether what the client may do stays as it is written */
    public function __construct(
        private readonly Library $library,
        private readonly Style $style,
        private readonly GoalRule $goal,
        private readonly Client $client,
        private readonly FitNotes $notes,
        private readonly bool $keeps = false,
    ) {
        $this->own = new OwnExercise($library, $style, $goal, $client);
        $this->steps = new Steps($style, $client);
    }

    public function inSession(Session $session, string $where): Session
    {
        $taken = [];
        /** @var array<string, array{?Rung, int, ?Range, list<string>}> $found what was found for each rung of the session */
        $found = [];
        $blocks = [];
        foreach ($session->blocks as $b => $block) {
            $entries = [];
            foreach ($block->entries() as $e => $entry) {
                $at = "{$where}/blocks/{$b}/entries/{$e}";
                $rung = $this->library->find($entry->exercise);
                if ($rung === null) {
                    $this->notes->leftOut($at, $entry->exercise, $this->unknown($entry->exercise));

                    continue;
                }
                if ($this->keeps && $this->own->isOpen($rung)) {
                    $taken[] = $rung->id;
                    $entries[] = $entry;

                    continue;
                }
                if (ExtraSet::side($entry) !== null) {
                    $this->notes->leftOut($at, $rung->name, 'It is the extra set for somebody’s weaker side.');

                    continue;
                }
                $found[$rung->id] ??= $this->own->of($rung, $taken);
                [$other, $step, $range, $why] = $found[$rung->id];
                if ($other === null) {
                    $this->notes->leftOut($at, $rung->name, ...$why);

                    continue;
                }
                $taken[] = $other->id;
                $entries[] = $this->entry($entry, $other, $step, $range, $why, $block instanceof CircuitBlock, $session->kind, $at);
            }
            if ($block instanceof CircuitBlock && $entries !== []) {
                $blocks[] = $this->circuit($block, $entries, "{$where}/blocks/{$b}");
            } elseif ($block instanceof RestBlock || $entries !== []) {
                $blocks[] = $block instanceof RestBlock ? $block : $block->withEntries($entries);
            }
        }

        return $session->withBlocks($blocks);
    }

    private function unknown(string $exercise): string
    {
        $near = array_map(static fn (Rung $each): string => $each->name, $this->library->suggestions($exercise));

        return 'No exercise of the library has this name'.($near === [] ? '.' : sprintf('; is %s meant?', implode(' or ', $near)));
    }

    /** @param  list<Entry>  $entries */
    private function circuit(CircuitBlock $block, array $entries, string $where): CircuitBlock
    {
        $rounds = $this->keeps ? $block->rounds : min($block->rounds, $this->goal->mostSets);
        if ($rounds < $block->rounds) {
            $this->notes->changed($where, $block->rounds.' rounds', $rounds.' rounds', $this->mostSets());
        }

        return new CircuitBlock($entries, $rounds, $block->roundRest, $block->restAfter());
    }

    private function mostSets(): string
    {
        return sprintf('%s has %d sets of an exercise at most.', $this->goal->name, $this->goal->mostSets);
    }

    /** @param  list<string>  $why */
    private function entry(
        Entry $entry,
        Rung $rung,
        int $step,
        ?Range $range,
        array $why,
        bool $circuit,
        Kind $kind,
        string $where,
    ): Entry {
        $dose = $entry->dose->measure instanceof Work
            ? $entry->dose->withSide($rung->side === Side::Both ? Side::Both : Side::Each)->withRange(null)
            : $this->dose($rung, $step, $range, $kind)->withRest($this->rest($entry->dose, $rung));
        $sets = $circuit ? 1 : min($entry->dose->sets, $kind === Kind::Activation ? 1 : $this->goal->mostSets);
        $dose = $dose->withSets($sets);
        $from = sprintf('%s, %s', $this->library->find($entry->exercise)->name ?? $entry->exercise, Wording::shown($entry->dose));
        $to = sprintf('%s, %s', $rung->name, Wording::shown($dose));
        if ($from !== $to) {
            $fewer = ! $circuit && $sets < $entry->dose->sets && $kind !== Kind::Activation ? [$this->mostSets()] : [];
            $this->notes->changed($where, $from, $to, ...$why, ...$fewer);
        }

        return new Entry(
            $rung->id,
            $dose,
            $entry->note,
            new Planned($rung->category, $rung->level, $rung->ladder, [...$why, ...$this->steps->why($rung, $step, $range)]),
        );
    }

    /** The step's dose; a switch-on holds no longer than its line. */
    private function dose(Rung $rung, int $step, ?Range $range, Kind $kind): Dose
    {
        $dose = $this->steps->dose($rung, $step, $range);
        while ($kind === Kind::Activation && $step > 0 && $dose->measure->longestHold()->isLongerThan($this->style->switchOnHold)) {
            $dose = $this->steps->dose($rung, --$step, $range);
        }

        return $dose;
    }

    /** The program's rest; for a medical limit and from 65 never less than the rung's own. */
    private function rest(Dose $written, Rung $rung): Seconds
    {
        $own = $this->steps->dose($rung, 0)->rest ?? Seconds::zero();
        $rest = $written->rest ?? $own;
        $isCareful = $this->client->hasMedicalLimit() || Age::of($this->client)->isOld();

        return $isCareful && $own->isLongerThan($rest) ? $own : $rest;
    }
}
