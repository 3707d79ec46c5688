<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

/**
 * One thing that keeps a session from counting, and what would have let it count.
 */
final class Miss
{
    public function __construct(public readonly string $what, public readonly string $would)
    {
    }
}
