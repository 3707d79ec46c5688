<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;

/**
 * The least and the most that each number of a dose or session may be.
 */
enum Bounds
{
    case Reps;
    case Sets;
    case Count;
    case Rounds;
    case Hold;
    case Work;
    case Distance;
    case Pace;
    case Rest;
    case Change;
    case WarmUp;
    case Load;
    case Range;
    case RangeCm;

    /** @return array{string, int|float, int|float, string} name, least, most, unit */
    private function row(): array
    {
        return match ($this) {
            self::Reps => ['reps', 1, 1000, ''],
            self::Sets => ['sets', 1, 50, ''],
            self::Count => ['count', 1, 50, ''],
            self::Rounds => ['rounds', 1, 50, ''],
            self::Hold => ['hold', 1, 3600, 's'],
            self::Work => ['work', 1, 7200, 's'],
            self::Distance => ['distance', 1, 5000, 'm'],
            self::Pace => ['pace', 0.05, 5, 'm/s'],
            self::Rest => ['rest', 0, 3600, 's'],
            self::Change => ['change', 0, 3600, 's'],
            self::WarmUp => ['warm-up or cool-down', 0, 7200, 's'],
            self::Load => ['load', 0, 500, 'kg'],
            self::Range => ['range', 0.001, 1, ''],
            self::RangeCm => ['range', 1, 300, 'cm'],
        };
    }

    /** @throws InvalidValue when outside */
    public function check(int|float $value): void
    {
        [$what, $least, $most, $unit] = $this->row();
        if (! is_finite($value) || $value < $least || $value > $most) {
            throw OutOfRange::outside($what, $value, $least, $most, $unit);
        }
    }
}
