<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * What must have been done clean once, on another ladder, before a rung is tried.
 */
final class Gate
{
    /**
     * @param  string  $rung  id of the gate rung
     * @param  string  $what  what clean means there, in words
     */
    public function __construct(public readonly string $rung, public readonly string $what)
    {
    }
}
