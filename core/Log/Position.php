<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Rung;

/**
 * A rung, a step of it, and the range it is done at where that is less than the step's own.
 */
final class Position
{
    public function __construct(public readonly Rung $rung, public readonly int $step, public readonly ?Range $range = null)
    {
    }

    public function is(self $other): bool
    {
        return $this->rung === $other->rung && $this->step === $other->step && $this->range == $other->range;
    }
}
