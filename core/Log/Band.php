<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

/**
 * An elastic band as a studio names it.
 */
final class Band
{
    /**
     * @param  string  $name  usually its colour, in the studio's own words
     * @param  string  $colour  `#rrggbb`, as pages show it
     * @param  int|float|null  $pullKg  kilograms at the length it is used at; null where nobody measured it
     */
    public function __construct(public readonly string $name, public readonly string $colour, public readonly int|float|null $pullKg = null)
    {
    }
}
