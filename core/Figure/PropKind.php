<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * Kit that a figure can show.
 */
enum PropKind: string
{
    case Wall = 'wall';
    case Box = 'box';
    case Ball = 'ball';
    case Wheel = 'wheel';
    case Weight = 'weight';
    case Plate = 'plate';
    case ThrowBall = 'throw-ball';
    case Cuff = 'cuff';
    case Bar = 'bar';
    case Rig = 'rig';
    case Stick = 'stick';
    case Strap = 'strap';
    case Band = 'band';

    /** How big it is drawn where nothing is said, in hundredths of body height. */
    public function size(): float
    {
        return match ($this) {
            self::Box => 22.0,
            self::Ball => 15.0,
            self::Wheel => 4.6,
            self::Weight => 4.2,
            self::Plate => 5.5,
            self::ThrowBall => 6.0,
            self::Cuff => 3.6,
            self::Bar => 9.0,
            default => 0.0,
        };
    }

    /** @return list<'at'|'to'> */
    public function needs(): array
    {
        return match ($this) {
            self::Stick, self::Strap, self::Band => ['at', 'to'],
            default => ['at'],
        };
    }
}
