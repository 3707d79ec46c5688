<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Edit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * A program of one client made fit for another: what is barred, needs kit that is missing, stands behind a gate, or is too
 * hard is replaced by the nearest allowed rung of the ladder, else by a swap of the same direction, else left out. Every
 * change is told.
 */
final class ProgramCopy
{
    /** How far above the ability of the other client a rung may stand (house rule). */
    private const ABILITY_REACH = 1;

    private readonly Placer $placer;

    private readonly Swaps $swaps;

    public function __construct(private readonly Library $library, private readonly Style $style)
    {
        $this->placer = new Placer($library, $style);
        $this->swaps = new Swaps($library, $style->plan->withoutLadders);
    }

    /**
     * @return array{Program, list<CopyChange>} the program, and what had to change, each exercise once
     */
    public function to(Program $program, Client $client, GoalRule $goal): array
    {
        $placed = [];
        foreach ($this->placer->place($client) as $placement) {
            $placed[$placement->ladder->id] = $placement;
        }
        $changes = [];
        $weeks = [];
        $gaps = [];
        foreach ($program->weeks as $week) {
            $sessions = [];
            foreach ($week->sessions as $session) {
                $copied = $this->session($session, $client, $goal, $placed, $changes);
                if ($copied !== null) {
                    $sessions[] = $copied;
                }
            }
            $copy = new Week($week->number, $client->otherTraining, $sessions, $week->x);
            $weeks[] = $copy;
            $gaps = [...$gaps, ...$this->gaps($copy)];
        }

        return [
            new Program(
                $weeks,
                sprintf('%s: copied from %s', $client->name, $program->client->name ?? 'another client'),
                $this->style->id,
                $client,
                $gaps,
            ),
            array_values($changes),
        ];
    }

    /**
     * @param  array<string, Placement>  $placed
     * @param  array<string, CopyChange>  $changes
     */
    private function session(Session $session, Client $client, GoalRule $goal, array $placed, array &$changes): ?Session
    {
        $blocks = [];
        foreach ($session->blocks as $block) {
            $entries = [];
            foreach ($block->entries() as $entry) {
                $copied = $this->entry($entry, $client, $goal, $placed, $changes);
                if ($copied !== null) {
                    $entries[] = $copied;
                }
            }
            if ($entries !== [] || $block->entries() === []) {
                $blocks[] = $block->entries() === [] ? $block : $block->withEntries($entries);
            }
        }
        $copied = $session->withBlocks($blocks);

        return $copied->entries() === [] ? null : $copied->withClaimed(SessionTime::total($copied, $this->library));
    }

    /**
     * @param  array<string, Placement>  $placed
     * @param  array<string, CopyChange>  $changes
     */
    private function entry(Entry $entry, Client $client, GoalRule $goal, array $placed, array &$changes): ?Entry
    {
        $rung = $this->library->find($entry->exercise);
        if ($rung === null) {
            return $entry;
        }
        $reasons = $this->reasons($rung, $client, $goal, $placed);
        if ($reasons === []) {
            return $entry;
        }
        [$other, $how] = $this->instead($rung, $client, $goal, $placed);
        $changes[$rung->id] ??= new CopyChange(
            $rung,
            $other,
            [...array_map(static fn (string $reason): string => sprintf('%s %s.', $rung->name, $reason), $reasons), $how],
        );
        if ($other === null) {
            return null;
        }
        $steps = new Steps($this->style, $client);

        return new Entry(
            $other->id,
            $steps->dose($other, 0)->withSets($entry->dose->sets)->withRest($entry->dose->rest),
            $entry->note,
            new Planned($other->category, $other->level, $other->ladder, [...$changes[$rung->id]->why, ...$steps->why($other, 0)]),
        );
    }

    /**
     * @param  array<string, Placement>  $placed
     * @return list<string> what follows the rung's name; empty where it may stay
     */
    private function reasons(Rung $rung, Client $client, GoalRule $goal, array $placed): array
    {
        $reasons = Obstacles::between($client, $rung, $this->library)->sentences($this->library);
        $stands = $placed[$rung->ladder]->rung->level->value ?? null;
        $ability = max(Shown::by($client)->abilityIn($rung->category)->value ?? Placer::UNTESTED_LEVEL, $stands ?? 0);
        if ($rung->level->value > $ability + self::ABILITY_REACH) {
            $reasons[] = sprintf('is level %d, and %s stands at %d there', $rung->level->value, $client->name, $ability);
        }
        if (! $goal->allows($rung) || in_array($rung->category, $goal->without, true)) {
            $reasons[] = sprintf('does not fit the goal %s', lcfirst($goal->name));
        }

        return $reasons;
    }

    /**
     * @param  array<string, Placement>  $placed
     * @return array{?Rung, string}
     */
    private function instead(Rung $rung, Client $client, GoalRule $goal, array $placed): array
    {
        $fits = fn (Rung $other): bool => $this->reasons($other, $client, $goal, $placed) === [];
        foreach (array_slice($this->library->ladderOf($rung)->downFrom($rung), 1) as $below) {
            if ($fits($below)) {
                return [$below, sprintf('%s is the nearest allowed rung of its ladder.', $below->name)];
            }
        }
        foreach ($this->swaps->sameDirection($rung, $client) as $swap) {
            if ($fits($swap->rung)) {
                return [$swap->rung, sprintf('%s trains the same.', $swap->rung->name)];
            }
        }

        return [null, 'Nothing that is allowed trains the same: left out.'];
    }

    /** @return list<Gap> */
    private function gaps(Week $week): array
    {
        $gaps = [];
        $shares = DirectionShares::of($week, $this->library);
        foreach (Category::directions() as $direction) {
            $times = $shares->sessions[$direction->value];
            if ($times < $this->style->directionSessions) {
                $gaps[] = new Gap(
                    $direction,
                    $week->number,
                    $times === 0 ? 'Nothing of the copied program trains it here.' : sprintf(
                        'The copied program trains it %s.',
                        $times === 1 ? 'once' : $times.' times',
                    ),
                );
            }
        }

        return $gaps;
    }
}
