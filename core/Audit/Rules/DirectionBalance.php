<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Ladder\Category;

final class DirectionBalance implements Rule
{
    public static function sentence(): string
    {
        return 'No direction gets less than a tenth of the work in the four directions of a week.';
    }

    private const LEAST_SHARE = 10;

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->weeks as $week) {
            $all = array_sum(array_map($week->ms(...), Category::directions()));
            foreach (Category::directions() as $direction) {
                $own = $week->ms($direction);
                if ($all > 0 && self::LEAST_SHARE * $own < $all) {
                    $findings[] = new Finding(
                        'coverage.balance',
                        Severity::Note,
                        $week->where(),
                        sprintf(
                            '%s gets %d of %d s of work in the four directions of week %d',
                            $direction->label(),
                            intdiv($own, 1000),
                            intdiv($all, 1000),
                            $week->number,
                        ),
                        ['tension_s' => $own / 1000, 'all_s' => $all / 1000, 'direction' => $direction->value],
                    );
                }
            }
        }

        return $findings;
    }
}
