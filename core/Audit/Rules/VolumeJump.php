<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;

final class VolumeJump implements Rule
{
    public static function sentence(): string
    {
        return 'The sets of a week in the four directions grow by less than a third over the most of the three weeks before.';
    }

    private const MOST_PERCENT = 130;

    private const LEAST_SETS = 4;

    private const WEEKS = 3;

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->weeks as $i => $week) {
            $before = array_slice($program->weeks, max(0, $i - self::WEEKS), min($i, self::WEEKS));
            $sets = $week->directionSets();
            $most = $before === [] ? null : max(array_map(static fn ($each): int => $each->directionSets(), $before));
            if ($most !== null && 100 * $sets > self::MOST_PERCENT * $most && $sets >= $most + self::LEAST_SETS) {
                $findings[] = new Finding(
                    'volume.jump',
                    Severity::Warn,
                    $week->where(),
                    sprintf('week %d has %d sets in the four directions, after %d at most', $week->number, $sets, $most),
                    ['sets' => $sets, 'most_before' => $most],
                );
            }
        }

        return $findings;
    }
}
