<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Placement\Swap;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Time\Seconds;

/**
 * The changes that mend what audits find.
 */
final class Repairs
{
    private readonly Swaps $swaps;

    public function __construct(private readonly Library $library)
    {
        $this->swaps = new Swaps($library);
    }

    /** @param  callable(Entry): ?Entry  $change */
    public function entry(string $text, AuditedEntry $at, callable $change): Fix
    {
        [$week, $session, $block, $entry] = $at->place;

        $inSession = static function (Session $found) use ($block, $entry, $change): ?Session {
            $changed = $found->changeEntry($block, $entry, $change);

            return $changed->entries() === [] ? null : $changed;
        };

        return new Fix($text, static fn (Program $program): Program => $program->changeSession($week, $session, $inSession));
    }

    /** @param  callable(Session): ?Session  $change */
    public function session(string $text, AuditedSession $at, callable $change): Fix
    {
        [$week, $session] = $at->place;

        return new Fix($text, static fn (Program $program): Program => $program->changeSession($week, $session, $change));
    }

    public function dose(AuditedEntry $at, Dose $dose): Fix
    {
        return $this->entry(sprintf('Write %s.', Wording::shown($dose)), $at, static fn (Entry $entry): Entry => $entry->withDose($dose));
    }

    /** Puts another rung in the place of an entry; a work time stays, other doses start anew with as many sets. */
    public function replace(AuditedEntry $at, Rung $rung, Steps $steps): Fix
    {
        return $this->entry(sprintf('Swap for %s.', $rung->name), $at, fn (Entry $entry): Entry => $this->on($entry, $rung, $steps));
    }

    private function on(Entry $entry, Rung $rung, Steps $steps): Entry
    {
        $old = $entry->dose;
        $dose = $old->measure instanceof Work
            ? $old->withSide($rung->side === Side::Both ? Side::Both : Side::Each)->withRange(null)
            : $steps->dose($rung, 0)->withSets($old->sets)->withRest($old->rest);

        return new Entry(
            $rung->id,
            $dose,
            $entry->note,
            $entry->planned === null ? null : new Planned($rung->category, $rung->level, $rung->ladder, ['Swapped after an audit.']),
            $entry->x,
        );
    }

    public function drop(AuditedEntry $at): Fix
    {
        return $this->entry(sprintf('Leave out %s.', lcfirst($at->name())), $at, static fn (): ?Entry => null);
    }

    /**
     * What is allowed in the place of an entry, the nearest first: the ladder's own rungs below it, then what trains the same, last
     * nothing. No rung is named that a limit, age, kit, a gate or the client's ability forbids.
     *
     * @param  ?int  $top  no level above this one
     * @return list<Fix>
     */
    public function spares(AuditedEntry $at, AuditedProgram $program, Client $client, ?int $top = null): array
    {
        $rung = $at->rung;
        $fixes = [];
        if ($rung !== null) {
            $there = array_map(
                static fn (AuditedEntry $each): ?Rung => $each->rung,
                $program->weeks[$at->place[0]]->sessions[$at->place[1]]->entries,
            );
            $fits = fn (Rung $other): bool => $other !== $rung
                && ! in_array($other, $there, true)
                && $other->level->value <= min($top ?? Level::MOST, ($program->abilityOn($other) ?? $rung->level->value) + 1)
                && Obstacles::between($client, $other, $this->library)->isClear();
            $below = array_filter($this->library->ladderOf($rung)->downFrom($rung), $fits);
            $swaps = array_filter(
                array_map(static fn (Swap $swap): Rung => $swap->rung, $this->swaps->sameDirection($rung, $client)),
                $fits,
            );
            foreach (array_slice([...array_slice($below, 0, 1), ...$swaps], 0, self::MOST_TRIED) as $other) {
                $fixes[] = $this->replace($at, $other, $program->steps());
            }
        }

        return [...$fixes, $this->drop($at)];
    }

    /**
     * Adds one exercise of a direction at the end of sessions: where the client stands on its ladders, the highest level first; for nobody
     * in particular the hardest that needs no kit.
     *
     * @param  non-empty-list<AuditedSession>  $to
     * @return list<Fix>
     */
    public function adds(Category $direction, array $to, AuditedProgram $program): array
    {
        $client = $program->clientFor($to[0]);
        $doses = [];
        foreach ($this->library->ladders as $ladder) {
            if ($ladder->category !== $direction || in_array($ladder->id, $program->style->plan->withoutLadders ?? [], true)) {
                continue;
            }
            $placement = $client === null ? null : $program->placement($ladder->id);
            $rung = $client === null ? $this->easyWithoutKit($ladder) : $placement?->rung;
            if (
                $rung !== null
                && (
                    $client === null || (
                        $rung->level->value <= (
                            $program->abilityOn($rung) ?? $rung->level->value
                        ) + 1 && Obstacles::between($client, $rung, $this->library)->isClear()
                    )
                )
            ) {
                $doses[] = [$rung, $program->steps()->dose($rung, $placement->step ?? 0, $placement?->range)];
            }
        }
        usort($doses, static fn (array $a, array $b): int => $b[0]->level->value <=> $a[0]->level->value);

        return array_map(fn (array $of): Fix => $this->added($of[0], $of[1], $to), array_slice($doses, 0, self::MOST_TRIED));
    }

    /** @param  non-empty-list<AuditedSession>  $to */
    private function added(Rung $rung, Dose $dose, array $to): Fix
    {
        $days = implode(' and ', array_map(static fn (AuditedSession $at): string => $at->session->day->label(), $to));
        $longer = function (Session $session) use ($rung, $dose): Session {
            $with = $session->withBlocks([...$session->blocks, new StraightBlock([new Entry($rung->id, $dose)], Seconds::zero())]);

            return $session->claimed === null ? $with : $with->withClaimed(SessionTime::total($with, $this->library));
        };
        $everywhere = static function (Program $program) use ($to, $longer): Program {
            foreach ($to as $at) {
                $program = $program->changeSession($at->place[0], $at->place[1], $longer);
            }

            return $program;
        };

        return new Fix(sprintf('Add %s, %s, to %s.', lcfirst($rung->name), Wording::shown($dose), $days), $everywhere);
    }

    private function easyWithoutKit(Ladder $ladder): ?Rung
    {
        $found = null;
        foreach ($ladder->rungs as $rung) {
            $found = $rung->equipment === [] && $rung->requires === [] && $rung->level->value <= Level::OF_NOBODY ? $rung : $found;
        }

        return $found;
    }

    /** Changes that are tried for one finding. */
    private const MOST_TRIED = 4;
}
