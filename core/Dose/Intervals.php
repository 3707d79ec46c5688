<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * Short holds with breaks between, together one set: 4 × 10 s with 5 s breaks.
 */
final class Intervals implements Measure
{
    /**
     * @param  int  $count  1 to 50
     * @param  Seconds  $hold  1 to 3600 s
     * @param  Seconds  $break  0 to 3600 s
     *
     * @throws InvalidValue when out of range
     */
    public function __construct(
        public readonly int $count,
        public readonly Seconds $hold,
        public readonly Seconds $break,
    ) {
        Bounds::Count->check($count);
        Bounds::Hold->check($hold->toNumber());
        Bounds::Rest->check($break->toNumber());
    }

    public function work(): Seconds
    {
        return $this->hold->times($this->count);
    }

    public function breaks(): Seconds
    {
        return $this->break->times($this->count - 1);
    }

    public function longestHold(): Seconds
    {
        return $this->break->isZero() ? $this->work() : $this->hold;
    }

    public function amount(): int
    {
        return $this->work()->ms;
    }

    public function kind(): MeasureKind
    {
        return MeasureKind::Intervals;
    }
}
