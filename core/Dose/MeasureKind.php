<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

enum MeasureKind: string
{
    case Reps = 'reps';
    case Hold = 'hold';
    case Intervals = 'intervals';
    case Work = 'work';
    case Distance = 'distance';

    /** What an amount of it is counted in. */
    public function unit(): Unit
    {
        return match ($this) {
            self::Reps => Unit::Reps,
            self::Distance => Unit::Metres,
            self::Hold, self::Intervals, self::Work => Unit::Seconds,
        };
    }
}
