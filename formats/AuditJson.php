<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\AuditedSession;
use EvenRungs\Core\Audit\AuditedWeek;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\SessionTime;

/**
 * The answer of `audit`.
 */
final class AuditJson
{
    /**
     * @param  list<Finding>  $findings
     * @return array<string, mixed>
     */
    public static function write(array $findings, AuditedProgram $program): array
    {
        return [
            'findings' => array_map(static fn (Finding $finding): array => self::finding($finding, $program->program), $findings),
            'coverage' => array_map(self::coverage(...), $program->weeks),
            'time' => (new TimeJson($program->library))->program(
                $program->program,
                array_map(
                    static fn (AuditedWeek $week): array => array_map(
                        static fn (AuditedSession $session): SessionTime => $session->time,
                        $week->sessions,
                    ),
                    $program->weeks,
                ),
            ),
        ];
    }

    /** @return array<string, mixed> */
    public static function finding(Finding $finding, Program $program): array
    {
        return [
            'rule' => $finding->rule,
            'severity' => $finding->severity->value,
            'where' => $finding->where,
            'message' => $finding->message,
            'evidence' => (object) $finding->evidence,
            'fix' => $finding->advice(),
            'change' => $finding->fix === null ? null : self::change($program, $finding->fix->apply($program)),
        ];
    }

    /**
     * The edit that makes one program another: each session that changed, and the one that goes.
     *
     * @return array{edits: list<array{path: string, value: array<string, mixed>|null}>}
     */
    private static function change(Program $before, Program $after): array
    {
        $edits = [];
        foreach ($before->weeks as $w => $week) {
            $now = $after->weeks[$w]->sessions ?? [];
            $gone = count($now) < count($week->sessions);
            foreach ($week->sessions as $s => $session) {
                $other = $now[$s] ?? null;
                if ($session !== $other && ($other === null || SessionJson::write($session) != SessionJson::write($other))) {
                    $edits[] = [
                        'path' => sprintf('/weeks/%d/sessions/%d', $w, $s),
                        'value' => $gone || $other === null ? null : SessionJson::write($other),
                    ];
                    if ($gone) {
                        break;
                    }
                }
            }
        }

        return ['edits' => $edits];
    }

    /** @return array<string, mixed> */
    private static function coverage(AuditedWeek $week): array
    {
        $coverage = ['week' => $week->number];
        foreach (Category::cases() as $category) {
            $coverage[$category->value] = [
                'sessions' => $week->times($category),
                'sets' => $week->sets($category),
                'tension_s' => $week->ms($category) % 1000 === 0 ? intdiv($week->ms($category), 1000) : $week->ms($category) / 1000,
            ];
        }

        return $coverage;
    }
}
