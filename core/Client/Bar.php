<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

/**
 * The reason a rung is barred: one limit, by one stress of some grade.
 */
final class Bar
{
    public function __construct(
        public readonly string $rung,
        public readonly string $limit,
        public readonly string $stress,
        public readonly int $grade,
    ) {
    }
}
