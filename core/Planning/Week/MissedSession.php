<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use DateTimeImmutable;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Log\HardWork;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Weekday;

/**
 * What becomes of a session that was missed: the next of the six days behind it, in its week or the one after, that has the minutes and
 * keeps 48 h between hard sessions, or nothing, and then what the week loses by it. It is no session of a log, so no verdict sees it.
 */
final class MissedSession
{
    /** As far behind its day a missed session is offered. */
    private const DAYS = 6;

    /**
     * @param  ?Weekday  $day  to which it can be moved; null where there is none
     * @param  bool  $weekLater  whether that day lies in the week after its own
     * @param  ?DateTimeImmutable  $on  the date of that day
     * @param  list<string>  $loses  what its directions lose this week where it is dropped
     */
    private function __construct(
        public readonly ?Weekday $day,
        public readonly bool $weekLater,
        public readonly ?DateTimeImmutable $on,
        public readonly array $loses,
    ) {
    }

    /**
     * @param  int  $week  place in the program, from 0; likewise the session
     * @param  DateTimeImmutable  $today  it is moved to no earlier day
     */
    public static function of(
        Program $program,
        ProgramDates $dates,
        int $week,
        int $session,
        DateTimeImmutable $today,
        Client $client,
        Library $library,
        Style $style,
    ): self {
        $missed = $program->weeks[$week]->sessions[$session];
        $hard = HardWork::isHardSession($missed, $library, $style) ? self::hardDays(
            $program,
            $dates,
            $week,
            $session,
            $library,
            $style,
        ) : [];
        $length = SessionTime::total($missed, $library)->ms;
        $planned = $dates->session($week, $session);
        for ($on = max(
            $today,
            $planned->modify('+1 day'),
        ); $on <= $planned->modify(sprintf('+%d days', self::DAYS)); $on = $on->modify('+1 day')) {
            $day = Weekday::cases()[(int) $on->format('N') - 1];
            $later = self::isWeekLater($program, $week, $session, $on);
            $there = $program->weeks[$dates->weekOn($on)]->clientIn($client);
            $taken = self::takenOn($on, $program, $dates, $week, $session, $library);
            if ($later !== null && $length + $taken <= 60_000 * $there->minutesOn($day) && HardWork::tooNear($on, $hard) === null) {
                return new self($day, $later, $on, []);
            }
        }

        return new self(null, false, null, self::loses($program, $week, $session, $library));
    }

    /** Whether a day is in the week after that of a session; null where the program has no such day, as while away or behind its end. */
    private static function isWeekLater(Program $program, int $week, int $session, DateTimeImmutable $on): ?bool
    {
        $day = Weekday::cases()[(int) $on->format('N') - 1];
        foreach ([false, true] as $later) {
            $moved = ProgramDates::moveSession($program, $week, $session, $day, $later);
            $dates = $moved === null ? null : ProgramDates::of($moved);
            foreach ($moved->weeks[$later ? $week + 1 : $week]->sessions ?? [] as $s => $found) {
                if ($found->day === $day && $dates?->session($later ? $week + 1 : $week, $s) == $on) {
                    return $later;
                }
            }
        }

        return null;
    }

    /** @return int milliseconds of the other sessions of that day */
    private static function takenOn(
        DateTimeImmutable $on,
        Program $program,
        ProgramDates $dates,
        int $week,
        int $session,
        Library $library,
    ): int {
        $taken = 0;
        foreach ([$week - 1, $week, $week + 1] as $w) {
            foreach ($program->weeks[$w]->sessions ?? [] as $s => $other) {
                $isThere = ($w !== $week || $s !== $session) && ! ProgramDates::isMissed($other) && $dates->session($w, $s) == $on;
                $taken += $isThere ? SessionTime::total($other, $library)->ms : 0;
            }
        }

        return $taken;
    }

    /** @return list<DateTimeImmutable> days of the other hard sessions of the week and of those beside it */
    private static function hardDays(Program $program, ProgramDates $dates, int $week, int $session, Library $library, Style $style): array
    {
        $days = [];
        foreach ([$week - 1, $week, $week + 1] as $w) {
            foreach ($program->weeks[$w]->sessions ?? [] as $s => $other) {
                if (
                    ($w !== $week || $s !== $session)
                    && ! ProgramDates::isMissed($other)
                    && HardWork::isHardSession($other, $library, $style)
                ) {
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
        $with = DirectionShares::of(
            $program->weeks[$week]->withSessions(array_values($kept + [$session => $program->weeks[$week]->sessions[$session]])),
            $library,
        )->sessions;
        unset($kept[$session]);
        $without = DirectionShares::of($program->weeks[$week]->withSessions(array_values($kept)), $library)->sessions;
        $loses = [];
        foreach (Category::directions() as $direction) {
            [$had, $has] = [$with[$direction->value] ?? 0, $without[$direction->value] ?? 0];
            if ($has < $had) {
                $loses[] = sprintf(
                    '%s: %s this week instead of %d.',
                    $direction->label(),
                    $has === 0 ? 'no session' : ($has === 1 ? 'one session' : $has.' sessions'),
                    $had,
                );
            }
        }

        return $loses;
    }
}
