<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use DateTimeImmutable;
use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Load\HardWork;
use EvenRungs\Core\Session\Day;
use EvenRungs\Core\Session\DirectionShares;
use EvenRungs\Core\Session\Program;
use EvenRungs\Core\Session\ProgramDates;
use EvenRungs\Core\Session\Session;
use EvenRungs\Core\Session\SessionTime;
use EvenRungs\Core\Style\Style;

/**
 * What becomes of a session that was missed: the next day of its week that has the minutes and keeps 48 h between hard sessions, or nothing,
 * and then what the week loses by it. It is no session of a log, so no verdict sees it.
 */
final class MissedSession
{
    /**
     * @param  ?Day  $day  to which it can be moved; null where there is none in its week
     * @param  ?DateTimeImmutable  $on  the date of that day
     * @param  list<string>  $loses  what its directions lose this week where it is dropped
     */
    private function __construct(public readonly ?Day $day, public readonly ?DateTimeImmutable $on, public readonly array $loses)
    {
    }

    /**
     * @param  int  $week  place in the program, from 0; likewise the session
     * @param  DateTimeImmutable  $today  it is moved to no earlier day
     */
    public static function of(Program $program, ProgramDates $dates, int $week, int $session, DateTimeImmutable $today, Client $client, Library $library, Style $style): self
    {
        $missed = $program->weeks[$week]->sessions[$session];
        $there = $program->weeks[$week]->clientIn($client);
        $hard = HardWork::isHardSession($missed, $library, $style) ? self::hardDays($program, $dates, $week, $session, $library, $style) : [];
        $length = SessionTime::total($missed, $library)->ms;
        $from = max($today, $dates->session($week, $session)->modify('+1 day'));
        for ($on = $from; $on <= $dates->last($week); $on = $on->modify('+1 day')) {
            $day = Day::cases()[(int) $on->format('N') - 1];
            $moved = $program->changeSession($week, $session, static fn (Session $found): Session => $found->onDay($day));
            if ((ProgramDates::of($moved) ?? $dates)->session($week, $session) != $on) {
                continue;
            }
            $taken = 0;
            foreach ($program->weeks[$week]->sessions as $s => $other) {
                $taken += $s !== $session && $other->day === $day && ! ProgramDates::isMissed($other) ? SessionTime::total($other, $library)->ms : 0;
            }
            if ($length + $taken <= 60_000 * $there->minutesOn($day) && HardWork::tooNear($on, $hard) === null) {
                return new self($day, $on, []);
            }
        }

        return new self(null, null, self::loses($program, $week, $session, $library));
    }

    /** @return list<DateTimeImmutable> days of the other hard sessions of the week and of those beside it */
    private static function hardDays(Program $program, ProgramDates $dates, int $week, int $session, Library $library, Style $style): array
    {
        $days = [];
        foreach ([$week - 1, $week, $week + 1] as $w) {
            foreach ($program->weeks[$w]->sessions ?? [] as $s => $other) {
                if (($w !== $week || $s !== $session) && ! ProgramDates::isMissed($other) && HardWork::isHardSession($other, $library, $style)) {
                    $days[] = $dates->session($w, $s);
                }
            }
        }

        return $days;
    }

    /** @return list<string> */
    private static function loses(Program $program, int $week, int $session, Library $library): array
    {
        $kept = array_filter($program->weeks[$week]->sessions, static fn (Session $other): bool => ! ProgramDates::isMissed($other));
        $with = DirectionShares::of($program->weeks[$week]->withSessions(array_values($kept + [$session => $program->weeks[$week]->sessions[$session]])), $library)->sessions;
        unset($kept[$session]);
        $without = DirectionShares::of($program->weeks[$week]->withSessions(array_values($kept)), $library)->sessions;
        $loses = [];
        foreach (Category::directions() as $direction) {
            [$had, $has] = [$with[$direction->value] ?? 0, $without[$direction->value] ?? 0];
            if ($has < $had) {
                $loses[] = sprintf('%s: %s this week instead of %d.', $direction->label(), $has === 0 ? 'no session' : ($has === 1 ? 'one session' : $has.' sessions'), $had);
            }
        }

        return $loses;
    }
}
