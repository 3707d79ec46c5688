<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * A kind of load on a sore or protected part, graded on each rung 1 light, 2 real, 3 high.
 */
final class Stress
{
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $text,
    ) {
    }
}
