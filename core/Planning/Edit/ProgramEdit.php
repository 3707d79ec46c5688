<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Edit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\LostDirections;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Seconds;

/**
 * Changes to a planned program. The claimed minutes follow the computed ones.
 */
final class ProgramEdit
{
    private const TYPED = 'Dose typed by the trainer';

    private const SWAPPED = 'Swapped for';

    private const IN_PLACE = 'In place of';

    /** How the reason of an entry begins that somebody chose. */
    private const CHOSEN = [self::TYPED, self::SWAPPED, self::IN_PLACE];

    public function __construct(private readonly Library $library, private readonly Steps $steps)
    {
    }

    /**
     * Puts a rung in the place of every rung of its ladder, and in the weeks after the present one what is expected after it; sets and
     * rests stay as they were.
     *
     * @param  int  $present  week that is trained now; 1 is the first
     */
    public function standOn(
        Program $program,
        Rung $rung,
        int $step,
        ?Range $range,
        Client $client,
        Progression $progression,
        int $present = 1,
    ): Program {
        $stood = $program->mapSessions(function (
            Session $session,
            Week $week,
        ) use ($rung, $step, $range, $client, $progression, $present): Session {
            if (! $this->trains($session, $rung->ladder)) {
                return $session;
            }
            $expected = $progression->expected($rung, $step, $range, max(1, $week->number - $present + 1), $client);

            return $this->claimed(
                $session->mapEntries(
                    $this->replacement($expected->rung, $expected->step, $expected->range, $expected->rung === $rung ? [] : $expected->why),
                ),
            );
        });

        return $this->stillAllowed($stood, $client);
    }

    /**
     * Takes back what was expected of the present week and did not come: on every ladder that the week writes further up than the client
     * stands it goes by the standing again, and the weeks after it by what is expected from there. What the trainer typed or swapped stays.
     *
     * @param  int  $present  week that is trained now; 1 is the first
     */
    public function caughtUp(Program $program, Client $client, Progression $progression, int $present): Program
    {
        $behind = [];
        foreach (($program->weeks[$present - 1] ?? null)->sessions ?? [] as $session) {
            foreach ($session->entries() as $entry) {
                $rung = $this->library->find($entry->exercise);
                $stands = $rung === null ? null : $client->standings[$rung->ladder] ?? null;
                if ($rung !== null && $stands !== null && self::isExpectation($entry) && $this->isAhead($entry, $rung, $stands)) {
                    $behind[$rung->ladder] = $stands;
                }
            }
        }
        $goesBy = function (Entry $entry, Week $week) use ($behind, $client, $progression, $present): Entry {
            $stands = $behind[$this->library->find($entry->exercise)->ladder ?? ''] ?? null;
            if ($stands === null || ! self::isExpectation($entry)) {
                return $entry;
            }
            $expected = $progression->expected($stands->rung, $stands->step, $stands->range, $week->number - $present + 1, $client);

            return $this->onRung(
                $entry,
                $expected->rung,
                $expected->step,
                $expected->range,
                [
                    $week->number === $present
                        ? 'What was expected by this week is not earned yet.'
                        : 'Expected by now from where the client stands.',
                ],
            );
        };

        return $behind === [] ? $program : $program->mapSessions(
            fn (Session $session, Week $week): Session => $week->number < $present ? $session : $this->claimed(
                $session->mapEntries(static fn (Entry $entry): Entry => $goesBy($entry, $week)),
            ),
        );
    }

    /** Whether an entry asks for more than where somebody stands: a rung above, or a later step of the rung. */
    private function isAhead(Entry $entry, Rung $rung, Standing $stands): bool
    {
        if ($rung !== $stands->rung) {
            return in_array($rung, $this->library->ladderOf($rung)->above($stands->rung), true);
        }
        $scale = $rung->range;
        $at = $this->steps->dose($rung, $stands->step, $stands->range);
        foreach ($this->steps->of($rung) as $i => $step) {
            if ($step->measure == $entry->dose->measure && $step->range == $entry->dose->range) {
                return $i > $this->steps->clamp($rung, $stands->step) || (
                    $stands->range !== null && $scale !== null && $scale->perMille($entry->dose->range) > $scale->perMille($at->range)
                );
            }
        }

        return false;
    }

    /** Whether the planner wrote an entry, and nobody typed, swapped or insisted. */
    private static function isExpectation(Entry $entry): bool
    {
        $chosen = static fn (string $why): bool => array_filter(
            self::CHOSEN,
            static fn (string $mark): bool => str_starts_with($why, $mark),
        ) !== [];

        return $entry->planned !== null && ! $entry->x->areWritten() && array_filter($entry->planned->why, $chosen) === [];
    }

    /** Who stands lower now may have been expected higher elsewhere than is allowed: there the nearest allowed rung below is expected. */
    private function stillAllowed(Program $program, Client $client): Program
    {
        $allowed = function (Entry $entry) use ($client): Entry {
            $rung = $this->library->find($entry->exercise);
            if (
                $rung === null
                || $entry->planned === null
                || $entry->x->areWritten()
                || Obstacles::between($client, $rung, $this->library)->isSafe()
            ) {
                return $entry;
            }
            foreach ($this->library->ladderOf($rung)->downFrom($rung) as $lower) {
                if (Obstacles::between($client, $lower, $this->library)->isClear()) {
                    return $this->onRung(
                        $entry,
                        $lower,
                        $this->steps->last($lower),
                        null,
                        [sprintf('%s is not allowed any more.', $rung->name)],
                    );
                }
            }

            return $entry;
        };

        return $program->mapSessions(fn (Session $session): Session => $this->claimed($session->mapEntries($allowed)));
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
     * What sessions would take together with the client on a rung.
     *
     * @param  list<Session>  $sessions  those that train its ladder
     */
    public function totalOn(array $sessions, Rung $rung, int $step): Seconds
    {
        $replace = $this->replacement($rung, $step, null);

        return $this->total(array_map(static fn (Session $session): Session => $session->mapEntries($replace), $sessions));
    }

    /** @param  list<Session>  $sessions */
    public function total(array $sessions): Seconds
    {
        $total = Seconds::zero();
        foreach ($sessions as $session) {
            $total = $total->plus(SessionTime::total($session, $this->library));
        }

        return $total;
    }

    public function trains(Session $session, string $ladder): bool
    {
        foreach ($session->entries() as $entry) {
            if ($this->library->find($entry->exercise)?->ladder === $ladder) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<string>  $why  goes before the reasons of the dose
     * @return callable(Entry): Entry
     */
    private function replacement(Rung $rung, int $step, ?Range $range, array $why = []): callable
    {
        return function (Entry $entry) use ($rung, $step, $range, $why): Entry {
            $old = $this->library->find($entry->exercise);
            if ($old === null || $old->ladder !== $rung->ladder) {
                return $entry;
            }
            $from = $old === $rung ? [] : [sprintf('Moved from %s.', $old->name)];

            return $this->onRung($entry, $rung, $step, $range, $why === [] ? $from : $why);
        };
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
                sprintf('%s, in place of %s.', self::TYPED, Shorthand::write($old->dose)),
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

    private function claimed(Session $session): Session
    {
        return $session->withClaimed(SessionTime::total($session, $this->library));
    }
}
