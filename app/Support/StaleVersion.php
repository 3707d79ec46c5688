<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/**
 * A change was asked for on an older state of the client than the one that is stored.
 */
final class StaleVersion extends RuntimeException
{
    /** @param  array<string, mixed>  $current the board as it is now */
    public function __construct(public readonly array $current)
    {
        parent::__construct('The client was changed in the meantime.');
    }
}
