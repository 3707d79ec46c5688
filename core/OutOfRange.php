<?php

declare(strict_types=1);

namespace EvenRungs\Core;

/**
 * A number below the least or above the most that it may be.
 */
final class OutOfRange extends InvalidValue
{
    public static function outside(string $what, int|float $given, int|float $least, int|float $most, string $unit = ''): self
    {
        $unit = $unit === '' ? '' : ' '.$unit;

        return self::because(
            sprintf(
                '%s is %s%s; it must be from %s to %s%s',
                $what,
                Writing::number($given),
                $unit,
                Writing::number($least),
                Writing::number($most),
                $unit,
            ),
        );
    }
}
