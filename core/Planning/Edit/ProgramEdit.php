<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Edit;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\LostDirections;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;

/**
 * Changes to a planned program. The claimed minutes follow the computed ones.
 */
final class ProgramEdit
{
    private const TYPED = 'Dose typed by the trainer';

    private const SWAPPED = 'Swapped for';

    private const IN_PLACE = 'In place of';

    /** How the reason of an entry begins that somebody chose. */
    public const CHOSEN = [self::TYPED, self::SWAPPED, self::IN_PLACE];

    public function __construct(private readonly Library $library, private readonly Steps $steps)
    {
    }

    /** Whether a reason of an entry says that its dose was typed. */
    public static function isTyped(string $why): bool
    {
        return str_starts_with($why, self::TYPED);
    }

    /** Puts a rung in the place of one exercise wherever the program has it; sets and rests stay as they were. */
    public function replace(Program $program, string $exercise, Rung $rung, int $step): Program
    {
        $identity = $this->library->identity($exercise);

        return $program->mapSessions(fn (Session $session): Session => $this->claimed($session->mapEntries(
            fn (Entry $entry): Entry => $entry->exercise === $exercise || $this->library->identity($entry->exercise) === $identity
                ? $this->onRung(
                    $entry,
                    $rung,
                    $step,
                    null,
                    [sprintf('%s %s.', self::IN_PLACE, $this->library->find($exercise)->name ?? $exercise)],
                )
                : $entry,
        )));
    }

    /**
     * Puts a rung in the place of one entry.
     *
     * @param  int  $week  place in the program, from 0; likewise session, block and entry
     *
     * @throws InvalidValue when there is no such entry, or its block cannot take the dose
     */
    public function swap(Program $program, int $week, int $session, int $block, int $entry, Rung $rung): Program
    {
        return $this->changeEntry(
            $program,
            $week,
            $session,
            $block,
            $entry,
            fn (Entry $old): Entry => $this->onRung(
                $old,
                $rung,
                0,
                null,
                [sprintf('%s %s.', self::SWAPPED, $this->library->find($old->exercise)->name ?? $old->exercise)],
            ),
        );
    }

    /** Takes a ladder out of the program; a rung of another ladder stands in where one is given and the session does not have it. */
    public function instead(Program $program, string $ladder, ?Rung $swap): Program
    {
        $before = $program;
        $of = [];
        foreach ($program->weeks as $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->entries() as $entry) {
                    if ($this->library->find($entry->exercise)?->ladder === $ladder) {
                        $of[$entry->exercise] = $entry->exercise;
                    }
                }
            }
        }
        foreach ($of as $exercise) {
            $program = $swap === null ? $this->without(
                $program,
                $exercise,
            ) : $program->mapSessions(function (Session $session) use ($exercise, $swap): Session {
                $there = array_filter(
                    $session->entries(),
                    fn (Entry $entry): bool => $this->library->find($entry->exercise) === $swap,
                ) !== [];

                return $there ? $this->withoutIn($session, $exercise) : $this->claimed(
                    $session->mapEntries(
                        fn (Entry $entry): Entry => $entry->exercise === $exercise ? $this->onRung(
                            $entry,
                            $swap,
                            0,
                            null,
                            [sprintf('%s %s, which is stopped.', self::IN_PLACE, $this->library->find($exercise)->name ?? $exercise)],
                        ) : $entry,
                    ),
                );
            });
        }

        $trained = $program->withWeeks(
            array_map(
                static fn (Week $week): Week => $week->withSessions(
                    array_values(array_filter($week->sessions, static fn (Session $session): bool => $session->entries() !== [])),
                ),
                $program->weeks,
            ),
        );

        return LostDirections::named($before, $trained, $this->library, 'What trained it is stopped.');
    }

    /** Takes one exercise out of the program, and blocks that it leaves empty. */
    public function without(Program $program, string $exercise): Program
    {
        return $program->mapSessions(fn (Session $session): Session => $this->withoutIn($session, $exercise));
    }

    private function withoutIn(Session $session, string $exercise): Session
    {
        $blocks = [];
        foreach ($session->blocks as $block) {
            $entries = array_values(array_filter($block->entries(), static fn (Entry $entry): bool => $entry->exercise !== $exercise));
            if ($entries === $block->entries()) {
                $blocks[] = $block;
            } elseif ($entries !== []) {
                $blocks[] = $block->withEntries($entries);
            }
        }

        return $this->claimed($session->withBlocks($blocks));
    }

    /**
     * An entry with a rung in the place of its own; sets, rest and note stay.
     *
     * @param  list<string>  $from  how the rung came here
     */
    public function onRung(Entry $entry, Rung $rung, int $step, ?Range $range, array $from): Entry
    {
        $dose = $this->steps->dose($rung, $step, $range)->withSets($entry->dose->sets)->withRest($entry->dose->rest);

        return new Entry(
            $rung->id,
            ExtraSet::side($entry) === null ? $dose : $dose->withSide(Side::Both),
            $entry->note,
            new Planned($rung->category, $rung->level, $rung->ladder, [...$from, ...$this->steps->why($rung, $step, $range)]),
            $entry->x,
        );
    }

    /**
     * Gives one entry another dose. A dose written without a side is for both at once where the rung is not done side by side.
     *
     * @param  int  $week  place in the program, from 0; likewise session, block and entry
     *
     * @throws InvalidValue when there is no such entry, or its block cannot take the dose
     */
    public function changeDose(Program $program, int $week, int $session, int $block, int $entry, Dose $dose): Program
    {
        return $this->changeEntry($program, $week, $session, $block, $entry, function (Entry $old) use ($dose): Entry {
            $onBothSides = $dose->side === null && $this->library->find($old->exercise)?->side === Side::Both;

            return $old->withDose($onBothSides ? $dose->withSide(Side::Both) : $dose)->because(
                sprintf('%s, in place of %s.', self::TYPED, Wording::shown($old->dose)),
            );
        });
    }

    /**
     * @param  callable(Entry): Entry  $change
     *
     * @throws InvalidValue when there is no such entry, or its block cannot take what it becomes
     */
    private function changeEntry(Program $program, int $week, int $session, int $block, int $entry, callable $change): Program
    {
        return $program->changeSession(
            $week,
            $session,
            fn (Session $found): Session => $this->claimed($found->changeEntry($block, $entry, $change)),
        );
    }

    /** The session with the minutes that it takes. */
    public function claimed(Session $session): Session
    {
        return $session->withClaimed(SessionTime::total($session, $this->library));
    }
}
