<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Ladder\Rung;

/**
 * Where a client is known to stand on a ladder.
 */
final class Standing
{
    /**
     * @param  int  $step  step of the rung's dose, 0 the start
     * @param  list<string>  $why  what was noted when the client came to stand here
     */
    public function __construct(
        public readonly Rung $rung,
        public readonly int $step,
        public readonly Basis $basis,
        public readonly array $why = [],
    ) {
    }
}
