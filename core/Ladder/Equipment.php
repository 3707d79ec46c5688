<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * Kit a rung may need; other kit that stands in for it is named.
 */
final class Equipment
{
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $text,
    ) {
    }
}
