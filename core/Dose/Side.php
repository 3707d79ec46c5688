<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

/**
 * Which sides a set trains. The dose of `each` and `alternate` is per side, so the set counts twice.
 */
enum Side: string
{
    case Both = 'both';
    case Each = 'each';
    case Alternate = 'alternate';

    public function isPerSide(): bool
    {
        return $this !== self::Both;
    }
}
