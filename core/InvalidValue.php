<?php

declare(strict_types=1);

namespace EvenRungs\Core;

use DomainException;

/**
 * A value that cannot be: the message names the value and says what would be right.
 */
final class InvalidValue extends DomainException
{
    public static function outside(string $what, int|float $given, int|float $least, int|float $most, string $unit = ''): self
    {
        $unit = $unit === '' ? '' : ' '.$unit;

        return new self(
            sprintf(
                '%s is %s%s; it must be from %s to %s%s',
                $what,
                self::number($given),
                $unit,
                self::number($least),
                self::number($most),
                $unit,
            ),
        );
    }

    public static function because(string $sentence): self
    {
        return new self($sentence);
    }

    public static function number(int|float $value): string
    {
        return is_int($value) ? (string) $value : rtrim(rtrim(sprintf('%.3F', $value), '0'), '.');
    }
}
