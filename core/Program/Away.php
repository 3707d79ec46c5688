<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

/**
 * A week away from home and studio: other minutes, other kit.
 */
final class Away
{
    /**
     * @param  array<string, int>  $days  minutes by day code
     * @param  list<string>  $equipment  kit ids
     */
    public function __construct(public readonly array $days, public readonly array $equipment)
    {
    }
}
