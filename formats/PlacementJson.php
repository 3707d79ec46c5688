<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Client\Bar;
use EvenRungs\Core\Client\Referral;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Swap;

/**
 * `even-rungs/placement`, swaps, and the referral that stands in place of a program.
 */
final class PlacementJson
{
    /**
     * @param  list<Placement>  $placements
     * @return array<string, mixed>
     */
    public static function write(array $placements): array
    {
        return ['format' => 'even-rungs/placement', 'version' => 1, 'placements' => array_map(self::writeOne(...), $placements)];
    }

    /** @return array<string, mixed> */
    private static function writeOne(Placement $placement): array
    {
        $barred = $missing = $requires = $unsuitable = [];
        foreach ($placement->obstacles as $each) {
            $barred = [...$barred, ...array_map(self::writeBar(...), $each->bars)];
            foreach ($each->missingKit as $kit) {
                $missing[] = ['rung' => $each->rung->id, 'equipment' => $kit];
            }
            foreach ($each->unmetGates as $gate) {
                $requires[] = ['rung' => $each->rung->id, 'gate' => $gate->rung, 'what' => $gate->what];
            }
            if ($each->unsuitable !== null) {
                $unsuitable[] = ['rung' => $each->rung->id, 'why' => $each->unsuitable];
            }
        }

        return [
            'ladder' => $placement->ladder->id,
            'category' => $placement->ladder->category->value,
            'rung' => $placement->rung?->id,
            'level' => $placement->rung?->level->value,
            'step' => $placement->step,
            ...DoseJson::writeRange($placement->range),
            'steps' => array_map(static fn (Dose $dose): array => DoseJson::write($dose), $placement->steps),
            'basis' => $placement->basis->value,
            'worse_side' => $placement->worseSide,
            'barred' => $barred,
            'missing' => $missing,
            'requires' => $requires,
            'unsuitable' => $unsuitable,
            'stopped' => $placement->stopped()?->format('Y-m-d'),
            'swap' => $placement->swap?->id,
            'why' => $placement->why,
        ];
    }

    /** @return array{rung: string, limit: string, stress: string, grade: int} */
    public static function writeBar(Bar $bar): array
    {
        return ['rung' => $bar->rung, 'limit' => $bar->limit, 'stress' => $bar->stress, 'grade' => $bar->grade];
    }

    /**
     * @param  list<Swap>  $swaps
     * @return array<string, mixed>
     */
    public static function writeSwaps(Rung $for, array $swaps): array
    {
        return [
            'for' => $for->id,
            'swaps' => array_map(static fn (Swap $swap): array => [
                'rung' => $swap->rung->id,
                'ladder' => $swap->rung->ladder,
                'category' => $swap->rung->category->value,
                'level' => $swap->rung->level->value,
                'same_direction' => $swap->sameDirection,
                'new_stresses' => $swap->newStresses,
                'why' => $swap->why,
            ], $swaps),
            ...(
                $swaps === [] ? [
                    'none' => sprintf(
                        'With these limits, this kit and this ability nothing in the library can stand in for %s.',
                        lcfirst($for->name),
                    ),
                ] : []
            ),
        ];
    }

    /**
     * @param  list<Referral>  $referrals
     * @return array{refer: list<array<string, string>>}
     */
    public static function writeReferrals(array $referrals): array
    {
        return [
            'refer' => array_map(
                static fn (Referral $each): array => [$each->kind => $each->id, 'urgency' => $each->urgency->value, 'text' => $each->text],
                $referrals,
            ),
        ];
    }
}
