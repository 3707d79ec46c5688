<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;

/**
 * How far a joint may lie from the straight line through its neighbours, and which fault it is beyond that. The numbers are house rules;
 * that hips a touch high are right is common practice, no source.
 */
final class MeantAngle
{
    /**
     * @param  'hip'|'knee'  $joint
     * @param  int  $least  degrees, −180 to 180; negative is below the line, against gravity
     * @param  int  $most  degrees, −180 to 180
     * @param  ?string  $below  id of the fault under the least; null where no fault has a name
     * @param  ?string  $above  id of the fault over the most
     *
     * @throws InvalidValue when the least is over the most
     */
    public function __construct(
        public readonly string $joint,
        public readonly int $least,
        public readonly int $most,
        public readonly ?string $below,
        public readonly ?string $above,
    ) {
        if ($least > $most || $least < -180 || $most > 180) {
            throw OutOfRange::outside('what is meant of the '.$joint, $least, -180, min(180, $most));
        }
    }

    /** @param  float  $off  degrees in whole tenths */
    public function isWithin(float $off): bool
    {
        return $off >= $this->least && $off <= $this->most;
    }

    /** @return ?string id of the fault that so much off suggests */
    public function fault(float $off): ?string
    {
        return match (true) {
            $off < $this->least => $this->below,
            $off > $this->most => $this->above,
            default => null,
        };
    }
}
