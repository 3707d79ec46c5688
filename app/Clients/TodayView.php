<?php

declare(strict_types=1);

namespace App\Clients;

use App\Planning\Board;
use App\Support\ClockField;
use App\Support\StudioDay;
use DateTimeImmutable;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Time\Weekday;

/**
 * What of a client's program is for today, and what of the last days nobody logged or answered.
 */
final class TodayView
{
    private const DAYS_BACK = 7;

    /**
     * @return array{today: list<array<string, mixed>>, open: list<array<string, mixed>>}
     */
    public static function of(Board $board, Library $library): array
    {
        $program = $board->program ?? new Program([]);
        $dates = ProgramDates::of($program);
        $keys = ProgramDates::keys($program);
        $today = StudioDay::today()->toDateTimeImmutable();
        $found = ['today' => [], 'open' => []];
        foreach ($program->weeks as $w => $week) {
            foreach ($week->sessions as $s => $session) {
                $day = $dates?->session($w, $s) ?? self::thisWeeks($session, $w, $today);
                $state = self::state($board, $session, $keys[$w][$s] ?? '');
                $row = [
                    'week' => $week->number,
                    'number' => $s + 1,
                    'date' => $day?->format('Y-m-d'),
                    'kind' => $session->kind->value,
                    'minutes' => ClockField::of(SessionTime::total($session, $library))['text'],
                    'at' => $board->record->times[$session->day->value] ?? null,
                    'state' => $state,
                ];
                $ago = $day === null ? null : (int) $day->diff($today)->format('%r%a');
                if ($ago === 0) {
                    $found['today'][] = $row;
                } elseif ($dates !== null && $ago > 0 && $ago <= self::DAYS_BACK && $state === 'planned') {
                    $found['open'][] = $row;
                }
            }
        }

        return $found;
    }

    /** The day of a session of a program without dates, which is taken as this week's. */
    private static function thisWeeks(Session $session, int $week, DateTimeImmutable $today): ?DateTimeImmutable
    {
        return $week === 0 && $session->day === Weekday::cases()[(int) $today->format('N') - 1] ? $today : null;
    }

    public static function state(Board $board, Session $session, string $key): string
    {
        return match (true) {
            isset($board->logged[$key]) => $board->logged[$key] ? 'running' : 'done',
            ProgramDates::isMissed($session) => 'missed',
            default => 'planned',
        };
    }
}
