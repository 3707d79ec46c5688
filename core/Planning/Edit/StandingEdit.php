<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Edit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Seconds;

/**
 * A program follows where the client stands, in the present week and the ones after it.
 */
final class StandingEdit
{
    private readonly ProgramEdit $edit;

    public function __construct(private readonly Library $library, private readonly Steps $steps)
    {
        $this->edit = new ProgramEdit($library, $steps);
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

            return $this->edit->claimed(
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

            return $this->edit->onRung(
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
            fn (Session $session, Week $week): Session => $week->number < $present ? $session : $this->edit->claimed(
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
            ProgramEdit::CHOSEN,
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
                    return $this->edit->onRung(
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

        return $program->mapSessions(function (Session $session) use ($allowed): Session {
            $changed = $session->mapEntries($allowed);

            // what nothing happened to is not timed again
            return $changed === $session ? $session : $this->edit->claimed($changed);
        });
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

            return $this->edit->onRung($entry, $rung, $step, $range, $why === [] ? $from : $why);
        };
    }
}
