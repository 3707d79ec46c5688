<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Ladder\Rung;

/**
 * What the writer of a dose left out. It is shown, never filled in: no rest, side, tempo or first load is invented.
 */
final class Unwritten
{
    /**
     * @param  ?Rung  $rung  null where the name matches none: then nobody knows whether sides or a load belong to it
     * @return list<'rest'|'side'|'tempo'|'load'>
     */
    public static function in(Dose $dose, ?Rung $rung): array
    {
        $perSide = $rung !== null && $rung->side !== Side::Both && $dose->measure->kind() !== MeasureKind::Work;

        return [
            ...($dose->rest === null ? ['rest'] : []),
            ...($dose->side === null && $perSide ? ['side'] : []),
            ...($dose->measure instanceof Reps && $dose->measure->tempo === null ? ['tempo'] : []),
            ...($dose->loadKg === null && $rung !== null && $rung->isLoaded() ? ['load'] : []),
        ];
    }
}
