<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Progress;

use DateTimeImmutable;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Time\Seconds;

/**
 * What was planned on the days that are over: the program in use from the day it began, before it those that were trained, each until
 * the next one began.
 */
final class PlannedDays
{
    /**
     * @param  array<string, list<Session>>  $sessions  by ISO date
     * @param  ?string  $first  ISO date from which on anything was planned
     */
    private function __construct(private readonly array $sessions, private readonly ?string $first, private readonly Library $library)
    {
    }

    /** @param  list<Program>  $earlier  that were trained before; one that nobody dated says nothing */
    public static function of(?Program $inUse, array $earlier, Library $library): self
    {
        $dated = array_values(array_filter(array_map(ProgramDates::of(...), $earlier)));
        usort($dated, static fn (ProgramDates $a, ProgramDates $b): int => $a->began <=> $b->began);
        $now = $inUse === null ? null : ProgramDates::of($inUse);
        if ($now !== null) {
            $dated = [...array_values(array_filter($dated, static fn (ProgramDates $each): bool => $each->began < $now->began)), $now];
        }
        $sessions = [];
        foreach ($dated as $i => $dates) {
            $until = ($dated[$i + 1] ?? null)?->began;
            foreach ($dates->sessions() as [$on, $session]) {
                if ($until === null || $on < $until) {
                    $sessions[$on->format('Y-m-d')][] = $session;
                }
            }
        }

        return new self($sessions, ($dated[0] ?? null)?->began->format('Y-m-d'), $library);
    }

    /**
     * How many sessions were planned from one day to another, both among them, and their time of work, as a week's page has it.
     *
     * @return array{sessions: int, work: Seconds}|null null where nothing was planned yet
     */
    public function between(DateTimeImmutable $from, DateTimeImmutable $to): ?array
    {
        if ($this->first === null || $this->first > $to->format('Y-m-d')) {
            return null;
        }
        $count = $ms = 0;
        foreach ($this->sessions as $on => $sessions) {
            if ($on >= $from->format('Y-m-d') && $on <= $to->format('Y-m-d')) {
                $count += count($sessions);
                $ms += array_sum(
                    array_map(fn (Session $each): int => SessionTime::of($each, $this->library)->time->workMs, $sessions),
                );
            }
        }

        return ['sessions' => $count, 'work' => Seconds::ofMs($ms)];
    }
}
