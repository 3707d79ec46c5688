<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Trainer;

/**
 * What a private address leads to.
 */
interface OpenedBySecret
{
    /** Of the secret that the address carries. */
    public function hash(): string;

    /** In whose name it is read; null where it was withdrawn. */
    public function opener(): ?Trainer;
}
