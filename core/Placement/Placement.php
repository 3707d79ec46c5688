<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use DateTimeImmutable;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Rung;

/**
 * Where a client starts on one ladder, and why.
 */
final class Placement
{
    /**
     * @param  ?Rung  $rung  null where no rung of the ladder is allowed
     * @param  int  $step  step of the dose, 0 the start
     * @param  'left'|'right'|null  $worseSide
     * @param  list<Obstacles>  $obstacles  of every rung of the ladder that has any, easiest first
     * @param  ?Rung  $swap  what trains the same category instead, where there is no rung
     * @param  list<string>  $why
     * @param  ?Range  $range  done at now, where that is less than the step's own
     * @param  list<Dose>  $steps  of the rung, as this client climbs them in the style; none where there is no rung
     */
    public function __construct(
        public readonly Ladder $ladder,
        public readonly ?Rung $rung,
        public readonly int $step,
        public readonly Basis $basis,
        public readonly ?string $worseSide,
        public readonly array $obstacles,
        public readonly ?Rung $swap,
        public readonly array $why,
        public readonly ?Range $range = null,
        public readonly array $steps = [],
    ) {
    }

    /** The day of a stop of the ladder that no clearance lifts. */
    public function stopped(): ?DateTimeImmutable
    {
        return ($this->obstacles[0] ?? null)?->stopped;
    }
}
