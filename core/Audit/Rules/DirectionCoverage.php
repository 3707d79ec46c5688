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
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Style\Style;

final class DirectionCoverage implements Rule
{
    public static function sentence(): string
    {
        return 'Every week trains each of the four directions, twice where it has two sessions; a switch-on does not count, and '
            .'a named gap is only noted.';
    }

    private const MEANT = 2;

    /** @param  ?Style  $style  one that means each direction once a week asks for no more; null for the usual two */
    public function __construct(private readonly Repairs $repairs, private readonly ?Style $style = null)
    {
    }

    private function meant(): int
    {
        return min(self::MEANT, $this->style->directionSessions ?? self::MEANT);
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->weeks as $week) {
            foreach (Category::directions() as $direction) {
                $times = $week->times($direction);
                $sessions = count($week->counted());
                $named = array_filter(
                    $program->program->gaps,
                    static fn (Gap $gap): bool => $gap->category === $direction && $gap->week === $week->number,
                );
                $short = $times < min($this->meant(), max(1, $sessions));
                if (! $short) {
                    continue;
                }
                $findings[] = new Finding(
                    'coverage.direction',
                    match (true) {
                        $named !== [] => Severity::Note,
                        $times === 0 => Severity::Error,
                        default => Severity::Warn,
                    },
                    $week->where(),
                    $times === 0
                        ? sprintf('%s is in no session of week %d', $direction->label(), $week->number)
                        : sprintf('%s is in %d of %d sessions of week %d', $direction->label(), $times, $sessions, $week->number),
                    ['sessions' => $times, 'meant' => $this->meant(), 'of' => $sessions, 'direction' => $direction->value],
                    $named !== [] ? [] : $this->adds($direction, $week, $program),
                );
            }
        }

        return $findings;
    }

    /** @return list<Fix> to the sessions with the most room that do not train it yet */
    private function adds(Category $direction, AuditedWeek $week, AuditedProgram $program): array
    {
        $open = array_filter($week->counted(), static fn (AuditedSession $each): bool => ! $each->trains($direction));
        $room = static fn (AuditedSession $each): int => 60_000 * (
            $program->clientFor($each)?->minutesOn($each->session->day) ?? 0
        ) - $each->time->time->total()->ms;
        usort($open, static fn (AuditedSession $a, AuditedSession $b): int => [$room($b), $a->place] <=> [$room($a), $b->place]);

        return $open === [] ? [] : $this->repairs->adds(
            $direction,
            array_slice($open, 0, max(1, min($this->meant(), count($week->counted())) - $week->times($direction))),
            $program,
        );
    }
}
