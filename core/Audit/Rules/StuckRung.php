<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedEntry;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Fix;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;

final class StuckRung implements Rule
{
    public static function sentence(): string
    {
        return 'The same rung with the same dose for more than four weeks running is looked at again.';
    }

    private const MOST_WEEKS = 4;

    public function check(AuditedProgram $program): array
    {
        $running = [];
        $findings = [];
        foreach ($program->weeks as $week) {
            $now = [];
            foreach ($week->entries() as $entry) {
                if ($entry->rung !== null) {
                    $now[$entry->rung->id.' '.Shorthand::write($entry->entry->dose)] ??= $entry;
                }
            }
            $before = $running;
            $running = [];
            foreach (array_keys($now) as $key) {
                $running[$key] = 1 + ($before[$key] ?? 0);
            }
            foreach ($running as $key => $weeks) {
                if ($weeks === self::MOST_WEEKS + 1) {
                    $findings[] = new Finding(
                        'ladder.stuck',
                        Severity::Note,
                        $now[$key]->where(),
                        sprintf('%s has the same dose for week %d running', $now[$key]->name(), $weeks),
                        ['weeks' => $weeks],
                        array_values(array_filter([$this->next($now[$key], $week->number, $program->steps())])),
                        $now[$key]->name(),
                    );
                }
            }
        }

        return $findings;
    }

    /** The next step of the rung, wherever the week has it at this dose. */
    private function next(AuditedEntry $at, int $week, Steps $steps): ?Fix
    {
        $dose = $at->entry->dose;
        foreach ($at->rung === null ? [] : $steps->of($at->rung) as $step) {
            if (Steps::isAtMost($dose->measure, $step->measure) && ! Steps::isAtMost($step->measure, $dose->measure)) {
                $next = $dose->withMeasure($step->measure)->withRange($step->range);

                return new Fix(sprintf(
                    'Write %s from this week on.',
                    Wording::shown($next),
                ), static fn (Program $program): Program => $program->mapSessions(
                    static fn (Session $session, Week $each): Session => $each->number < $week ? $session : $session->mapEntries(
                        static fn (Entry $entry): Entry => $entry->exercise === $at->entry->exercise
                            && Shorthand::write($entry->dose) === Shorthand::write($dose)
                            ? $entry->withDose($next)
                            : $entry,
                    ),
                ));
            }
        }

        return null;
    }
}
