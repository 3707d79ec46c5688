<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * One unbroken hold.
 */
final class Hold implements Measure
{
    /**
     * @param  Seconds  $time  1 to 3600 s
     *
     * @throws InvalidValue when out of range
     */
    public function __construct(public readonly Seconds $time)
    {
        Bounds::Hold->check($time->toNumber());
    }

    public function work(): Seconds
    {
        return $this->time;
    }

    public function breaks(): Seconds
    {
        return Seconds::zero();
    }

    public function longestHold(): Seconds
    {
        return $this->time;
    }

    public function amount(): int
    {
        return $this->time->ms;
    }

    public function kind(): MeasureKind
    {
        return MeasureKind::Hold;
    }
}
