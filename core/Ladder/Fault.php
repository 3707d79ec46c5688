<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * A loss of form that a trainer ticks in one tap.
 */
final class Fault
{
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $text,
    ) {
    }
}
