<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Rung;

/**
 * Where a ladder would start before limits, kit and gates are looked at.
 *
 * @internal
 */
final class Start
{
    /**
     * @param  'left'|'right'|null  $worseSide
     * @param  list<string>  $why
     * @param  int  $step  of the rung, 0 the start
     * @param  ?Range  $range  done at now, where that is less than the step's own
     */
    public function __construct(
        public readonly ?Rung $rung,
        public readonly Basis $basis,
        public readonly ?string $worseSide,
        public readonly array $why,
        public readonly int $step = 0,
        public readonly ?Range $range = null,
    ) {
    }
}
