<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use DateTimeImmutable;

/**
 * A stop of everything: pain of a kind that a clinician sees before any training goes on.
 */
final class Stop
{
    /** @param  string  $kind  of the pain, as it was logged */
    public function __construct(public readonly DateTimeImmutable $on, public readonly string $kind)
    {
    }
}
