<?php

declare(strict_types=1);

namespace App\Planning;

use EvenRungs\Core\Planning\Fit\FitChange;
use EvenRungs\Core\Planning\Fit\FittedProgram;

/**
 * What changed where a program was made to fit, as pages read it: the same change of several weeks once.
 */
final class FitView
{
    /** @return list<array{from: string, to: ?string, why: list<string>, times: int}> */
    public static function of(FittedProgram $fitted): array
    {
        $seen = [];
        foreach ([...$fitted->changes, ...$fitted->leftOut] as $change) {
            $key = $change->from."\n".$change->to;
            $seen[$key] ??= self::change($change);
            $seen[$key]['times']++;
        }

        return array_values($seen);
    }

    /** @return array{from: string, to: ?string, why: list<string>, times: int} */
    private static function change(FitChange $change): array
    {
        return ['from' => $change->from, 'to' => $change->to, 'why' => $change->why, 'times' => 0];
    }
}
