<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use EvenRungs\Core\Time\Seconds;

/**
 * Test results: best holds in seconds by test, and the highest clean rung by ladder.
 */
final class Tests
{
    /**
     * @param  array<string, Seconds>  $holds  by name: front-plank, side-plank-left, side-plank-right, extensor, flexor
     * @param  array<string, HighestClean>  $ladders  by ladder id
     */
    public function __construct(public readonly array $holds = [], public readonly array $ladders = [])
    {
    }
}
