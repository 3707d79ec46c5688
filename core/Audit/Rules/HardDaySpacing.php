<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\AuditedSession;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Fix;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Time\Weekday;

final class HardDaySpacing implements Rule
{
    public static function sentence(): string
    {
        return 'Hard sessions keep 48 h apart and off the day before a heavy lift (Garber CE et al. (2011) Med Sci Sports Exerc '
            .'43(7):1334–1359, for resistance training, from memory).';
    }

    private const DAYS = 7;

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $hard = [];
        foreach ($program->weeks as $week) {
            foreach ($week->sessions as $session) {
                if ($session->isHard()) {
                    $hard[] = [self::DAYS * $week->number + $session->session->day->number(), $session];
                }
            }
        }
        usort($hard, static fn (array $a, array $b): int => [$a[0], $a[1]->place] <=> [$b[0], $b[1]->place]);
        $findings = [];
        foreach ($hard as $i => [$day, $session]) {
            [$before, $earlier] = $hard[$i - 1] ?? [null, null];
            if ($earlier !== null && $day - $before <= 1) {
                $findings[] = $this->finding(
                    $session,
                    $day === $before ? 'is the second hard session of the day' : sprintf(
                        'is hard on the day after the hard session of %s',
                        $earlier->session->day->label(),
                    ),
                    24 * ($day - $before),
                    $program,
                );
            }
            if ($this->liftsHeavyAfter($program, $day)) {
                $findings[] = $this->finding($session, 'is hard on the day before a heavy lift', 24, $program);
            }
        }

        return $findings;
    }

    private function finding(AuditedSession $session, string $message, int $hours, AuditedProgram $program): Finding
    {
        return new Finding(
            'spacing.hard-days',
            Severity::Warn,
            $session->where(),
            $message,
            ['hours' => $hours, 'sets' => $session->directionSets(), 'tension_s' => $session->directionMs() / 1000],
            array_values(array_filter([$this->move($session, $program)])),
        );
    }

    private function liftsHeavyAfter(AuditedProgram $program, int $day): bool
    {
        foreach ($program->weeks as $week) {
            $next = $day + 1 - self::DAYS * $week->number;
            if ($next >= 0 && $next < self::DAYS && $week->liftsHeavyOn(Weekday::cases()[$next])) {
                return true;
            }
        }

        return false;
    }

    /** To the first other day of its week that has room for it and keeps the distance. */
    private function move(AuditedSession $session, AuditedProgram $program): ?Fix
    {
        $week = $program->weeks[$session->place[0]];
        $others = [];
        foreach ($program->sessions() as $other) {
            if ($other !== $session) {
                $others[] = [self::DAYS * $program->weeks[$other->place[0]]->number + $other->session->day->number(), $other->isHard()];
            }
        }
        foreach (Weekday::cases() as $day) {
            $then = self::DAYS * $week->number + $day->number();
            $offered = $program->client?->days === null || 60_000 * $program->client->minutesOn($day) >= $session->time->time->total()->ms;
            $clash = array_filter(
                $others,
                static fn (array $other): bool => $other[0] === $then || ($other[1] && abs($other[0] - $then) <= 1),
            );
            if (
                $day !== $session->session->day
                && $offered
                && $clash === []
                && ! $week->liftsHeavyOn($day)
                && ! $this->liftsHeavyAfter($program, $then)
            ) {
                return $this->repairs->session(
                    sprintf('Move it to %s.', $day->label()),
                    $session,
                    static fn (Session $found): Session => ProgramDates::onDay($found, $day),
                );
            }
        }

        return null;
    }
}
