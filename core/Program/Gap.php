<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Ladder\Category;

/**
 * A direction that a week does not train as it should, and why: said, never hidden.
 */
final class Gap
{
    /** @param  list<string>  $codes  what binds, where the plan knows it */
    public function __construct(
        public readonly Category $category,
        public readonly int $week,
        public readonly string $why,
        public readonly array $codes = [],
    ) {
    }
}
