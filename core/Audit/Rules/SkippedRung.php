<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedEntry;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Placement\Obstacles;

final class SkippedRung implements Rule
{
    public static function sentence(): string
    {
        return 'From week to week nobody climbs past a rung of a ladder.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $highest = [];
        $findings = [];
        foreach ($program->weeks as $week) {
            /** @var array<string, array{int, AuditedEntry}> $now */
            $now = [];
            foreach ($week->entries() as $entry) {
                if ($entry->rung === null) {
                    continue;
                }
                $index = $program->library->ladderOf($entry->rung)->indexOf($entry->rung->id) ?? 0;
                if (! isset($now[$entry->rung->ladder]) || $index > $now[$entry->rung->ladder][0]) {
                    $now[$entry->rung->ladder] = [$index, $entry];
                }
            }
            foreach ($now as $ladder => [$index, $entry]) {
                $before = $highest[$ladder] ?? null;
                if ($before !== null && $index > $before + 1) {
                    $next = $program->library->ladder($ladder)->rungs[$before + 1];
                    $client = $program->client;
                    $findings[] = new Finding(
                        'ladder.skip',
                        Severity::Warn,
                        $entry->where(),
                        sprintf(
                            '%s is %d rungs above the highest before, %s',
                            $entry->name(),
                            $index - $before,
                            $program->library->ladder($ladder)->rungs[$before]->name,
                        ),
                        ['rungs' => $index - $before],
                        $client === null || Obstacles::between($client, $next, $program->library)->isClear() ? [
                            $this->repairs->replace($entry, $next, $program->steps()),
                        ] : [],
                        $entry->name(),
                    );
                }
                $highest[$ladder] = max($before ?? 0, $index);
            }
        }

        return $findings;
    }
}
