<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\AuditedSession;
use EvenRungs\Core\Audit\AuditedWeek;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Fix;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Client\TrainingType;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Time\Weekday;

final class NoFreeDay implements Rule
{
    public static function sentence(): string
    {
        return 'One day of the week stays free of training.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->weeks as $week) {
            $elsewhere = [];
            foreach ($week->otherTraining as $other) {
                if ($other->type !== TrainingType::Rest) {
                    $elsewhere[$other->day->value] = true;
                }
            }
            $days = $elsewhere;
            foreach ($week->sessions as $session) {
                $days[$session->session->day->value] = true;
            }
            if (count($days) === count(Weekday::cases())) {
                $findings[] = new Finding(
                    'recovery.none',
                    Severity::Warn,
                    $week->where(),
                    sprintf('week %d trains on all seven days', $week->number),
                    ['days' => count($days)],
                    array_values(array_filter([$this->free($week, $elsewhere)])),
                );
            }
        }

        return $findings;
    }

    /**
     * Leaves out the shortest session that stands alone on its day.
     *
     * @param  array<string, true>  $elsewhere  days with other training
     */
    private function free(AuditedWeek $week, array $elsewhere): ?Fix
    {
        $perDay = array_count_values(array_map(static fn (AuditedSession $each): string => $each->session->day->value, $week->sessions));
        $open = array_filter(
            $week->sessions,
            static fn (AuditedSession $each): bool => ! isset($elsewhere[$each->session->day->value])
                && $perDay[$each->session->day->value] === 1,
        );
        usort(
            $open,
            static fn (AuditedSession $a, AuditedSession $b): int => [
                $a->time->time->total()->ms,
                $a->place,
            ] <=> [$b->time->time->total()->ms, $b->place],
        );

        return $open === [] ? null : $this->repairs->session(
            sprintf('Leave out the session of %s.', $open[0]->session->day->label()),
            $open[0],
            static fn (): ?Session => null,
        );
    }
}
