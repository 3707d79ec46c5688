<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use DateTimeImmutable;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Rung;

/**
 * Where a client is known to stand on a ladder.
 */
final class Standing
{
    /**
     * @param  int  $step  of the rung's steps for this client in the style, 0 the start
     * @param  ?Range  $range  done at now, where that is less than the step's own
     * @param  ?Dose  $dose  done now; where it is known it goes before the step, so that a change of style moves nobody
     * @param  ?DateTimeImmutable  $arrived  the day the client came to the rung
     * @param  ?DateTimeImmutable  $stopped  the day of a stop of this ladder
     * @param  list<string>  $why  what was noted when the client came to stand here
     * @param  Basis  $basis  what led here, where that is kept
     */
    public function __construct(
        public readonly Rung $rung,
        public readonly int $step = 0,
        public readonly ?Range $range = null,
        public readonly ?Dose $dose = null,
        public readonly ?DateTimeImmutable $arrived = null,
        public readonly ?DateTimeImmutable $stopped = null,
        public readonly array $why = [],
        public readonly Basis $basis = Basis::Standing,
    ) {
    }
}
