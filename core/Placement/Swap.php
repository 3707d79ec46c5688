<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Ladder\Rung;

/**
 * A rung that can stand in for another.
 */
final class Swap
{
    /**
     * @param  list<string>  $newStresses  stresses that the rung it replaces does not have
     * @param  list<string>  $why
     */
    public function __construct(
        public readonly Rung $rung,
        public readonly bool $sameDirection,
        public readonly array $newStresses,
        public readonly array $why,
    ) {
    }
}
