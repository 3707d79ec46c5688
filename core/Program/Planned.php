<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Level;

/**
 * Where a planned entry comes from, and why it is there.
 */
final class Planned
{
    /**
     * @param  list<string>  $why
     */
    public function __construct(
        public readonly Category $category,
        public readonly Level $level,
        public readonly string $ladder,
        public readonly array $why,
    ) {
    }
}
