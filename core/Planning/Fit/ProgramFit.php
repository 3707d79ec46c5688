<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Fit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Weekday;

/**
 * Anyone's program made to fit one client: every exercise becomes the client's own rung of the same ladder, at its step, with the
 * program's sets within the shape of a session; days without minutes move, sessions that take too long are cut, and what the program
 * lacks is named, never added. Every change is told.
 */
final class ProgramFit
{
    /** @param  array<string, GoalRule>  $goals  by goal */
    public function __construct(private readonly Library $library, private readonly Style $style, private readonly array $goals)
    {
    }

    /** @param  Client  $client  who may train: nothing waits for a clinician */
    public function to(Program $program, Client $client): FittedProgram
    {
        return $this->fitted($program, $client, false);
    }

    /** The client's own program of an earlier day: only what they may not do now, or have no minutes for, is changed. */
    public function again(Program $program, Client $client): FittedProgram
    {
        return $this->fitted($program, $client, true);
    }

    private function fitted(Program $program, Client $client, bool $keeps): FittedProgram
    {
        $notes = new FitNotes;
        $goal = GoalRule::for($client, $this->goals);
        $fit = new SessionFit($this->library, $this->style, $goal, $client, $notes, $keeps);
        $weeks = $gaps = [];
        foreach ($program->weeks as $w => $week) {
            $sessions = [];
            foreach ($this->onFreeDays($week, $client) as $s => $day) {
                $where = "/weeks/{$w}/sessions/{$s}";
                $session = $week->sessions[$s];
                if ($day === null) {
                    $this->leaveOut($session, $where, $client, $notes);

                    continue;
                }
                if ($day !== $session->day) {
                    $why = sprintf('%s has no minutes on %s.', $client->name, $session->day->label());
                    $notes->changed($where.'/day', $session->day->label(), $day->label(), $why);
                }
                $fitted = $fit->session($session->onDay($day), $where);
                if ($fitted !== null) {
                    $sessions[] = $fitted;
                }
            }
            usort($sessions, static fn (Session $a, Session $b): int => $a->day->number() <=> $b->day->number());
            $weeks[] = new Week($week->number, $client->otherTraining, $sessions, $week->x);
            $gaps = [...$gaps, ...$this->gaps($weeks[count($weeks) - 1])];
        }
        $title = sprintf('%s: fitted from %s', $client->name, $program->client->name ?? $program->title ?? 'a handout');

        return new FittedProgram(
            new Program($weeks, mb_substr($title, 0, 200), $this->style->id, $client, $gaps),
            $notes->changes,
            $notes->leftOut,
        );
    }

    /** @return array<int, ?Weekday> the day of each session: its own where it has minutes, else the nearest that is free, else none */
    private function onFreeDays(Week $week, Client $client): array
    {
        $days = [];
        foreach ($week->sessions as $s => $session) {
            $days[$s] = $client->minutesOn($session->day) > 0 ? $session->day : null;
        }
        foreach ($week->sessions as $s => $session) {
            if ($days[$s] !== null) {
                continue;
            }
            $free = array_filter(Weekday::cases(), static fn (Weekday $day): bool => $client->minutesOn($day) > 0 && ! in_array(
                $day,
                $days,
                true,
            ));
            $far = static fn (Weekday $day): array => [abs($day->number() - $session->day->number()), $day->number()];
            usort($free, static fn (Weekday $a, Weekday $b): int => $far($a) <=> $far($b));
            $days[$s] = $free[0] ?? null;
        }

        return $days;
    }

    private function leaveOut(Session $session, string $where, Client $client, FitNotes $notes): void
    {
        foreach ($session->blocks as $b => $block) {
            foreach ($block->entries() as $e => $entry) {
                $notes->leftOut(
                    "{$where}/blocks/{$b}/entries/{$e}",
                    $entry->exercise,
                    sprintf('%s has no minutes on %s, and no other day is free.', $client->name, $session->day->label()),
                );
            }
        }
    }

    /** @return list<Gap> */
    private function gaps(Week $week): array
    {
        $gaps = [];
        $shares = DirectionShares::of($week, $this->library);
        foreach (Category::directions() as $direction) {
            $times = $shares->sessions[$direction->value];
            if ($times < $this->style->directionSessions) {
                $gaps[] = new Gap($direction, $week->number, $times === 0 ? 'Nothing of the program trains it here.' : sprintf(
                    'The program trains it %s.',
                    $times === 1 ? 'once' : $times.' times',
                ));
            }
        }

        return $gaps;
    }
}
