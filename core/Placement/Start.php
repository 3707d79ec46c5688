<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

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
     */
    public function __construct(
        public readonly ?Rung $rung,
        public readonly Basis $basis,
        public readonly ?string $worseSide,
        public readonly array $why,
    ) {
    }
}
