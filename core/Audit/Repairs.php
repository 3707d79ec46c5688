<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Session\Entry;
use EvenRungs\Core\Session\Planned;
use EvenRungs\Core\Session\Program;
use EvenRungs\Core\Session\Session;
use EvenRungs\Core\Session\StraightBlock;

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

        return new Fix($text, static fn (Program $program): Program => $program->changeSession($week, $session, static function (Session $found) use ($block, $entry, $change): ?Session {
            $changed = $found->changeEntry($block, $entry, $change);

            return $changed->entries() === [] ? null : $changed;
        }));
    }

    /** @param  callable(Session): ?Session  $change */
    public function session(string $text, AuditedSession $at, callable $change): Fix
    {
        [$week, $session] = $at->place;

        return new Fix($text, static fn (Program $program): Program => $program->changeSession($week, $session, $change));
    }

    public function dose(AuditedEntry $at, Dose $dose): Fix
    {
        return $this->entry(sprintf('Write %s.', Shorthand::write($dose)), $at, static fn (Entry $entry): Entry => $entry->withDose($dose));
    }

    /** Puts another rung in the place of an entry; a work time stays, other doses start anew with as many sets. */
    public function replace(AuditedEntry $at, Rung $rung): Fix
    {
        return $this->entry(sprintf('Swap for %s.', $rung->name), $at, fn (Entry $entry): Entry => $this->on($entry, $rung));
    }

    private function on(Entry $entry, Rung $rung): Entry
    {
        $old = $entry->dose;
        $dose = $old->measure instanceof Work
            ? $old->withSide($rung->side === Side::Both ? Side::Both : Side::Each)
            : $rung->start()->withSets($old->sets)->withRest($old->rest);

        return new Entry($rung->id, $dose, $entry->note, $entry->planned === null ? null : new Planned($rung->category, $rung->level, $rung->ladder, ['Swapped after an audit.']), $entry->x);
    }

    public function drop(AuditedEntry $at): Fix
    {
        return $this->entry(sprintf('Leave out %s.', lcfirst($at->name())), $at, static fn (): ?Entry => null);
    }

    /**
     * The nearest rung that is allowed: the ladder's own below it, else what trains the same, else nothing.
     *
     * @param  ?int  $top  no level above this one
     */
    public function spare(AuditedEntry $at, Client $client, ?int $top = null): Fix
    {
        $rung = $at->rung;
        if ($rung === null) {
            return $this->drop($at);
        }
        $fits = fn (Rung $other): bool => $other !== $rung && ($top === null || $other->level->value <= $top) && Obstacles::between($client, $other, $this->library)->isClear();
        foreach ($this->library->ladderOf($rung)->downFrom($rung) as $below) {
            if ($fits($below)) {
                return $this->replace($at, $below);
            }
        }
        foreach ($this->swaps->sameDirection($rung, $client) as $swap) {
            if ($fits($swap->rung)) {
                return $this->replace($at, $swap->rung);
            }
        }

        return $this->drop($at);
    }

    /**
     * Adds one exercise of a direction at the end of a session: the hardest that the client may do, at its start dose.
     *
     * @return ?Fix null where nothing is allowed
     */
    public function add(Category $direction, AuditedSession $at, ?Client $client): ?Fix
    {
        $best = null;
        foreach ($this->library->ladders as $ladder) {
            if ($ladder->category !== $direction) {
                continue;
            }
            foreach ($ladder->rungs as $rung) {
                $top = $client?->abilityIn($direction)->value ?? self::UNKNOWN_LEVEL;
                $allowed = $client === null ? $rung->equipment === [] && $rung->requires === [] : Obstacles::between($client, $rung, $this->library)->isClear();
                if ($allowed && $rung->level->value <= $top && ($best === null || $rung->level->value > $best->level->value)) {
                    $best = $rung;
                }
            }
        }
        if ($best === null) {
            return null;
        }

        return $this->session(sprintf('Add %s, %s, to %s.', lcfirst($best->name), Shorthand::write($best->start()), $at->session->day->label()), $at, static fn (Session $session): Session => $session->withBlocks([
            ...$session->blocks,
            new StraightBlock([new Entry($best->id, $best->start())], Seconds::zero()),
        ]));
    }

    /** The level that suits who is not known (common practice, no source). */
    private const UNKNOWN_LEVEL = 3;
}
