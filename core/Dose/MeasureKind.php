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
}
