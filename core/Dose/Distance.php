<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * A carried distance; its time is metres over pace.
 */
final class Distance implements Measure
{
    /** Metres a second where no pace was written. */
    public const UNWRITTEN_PACE = 0.8;

    /**
     * @param  int|float  $metres  1 to 5000 m
     * @param  int|float|null  $pace  0.05 to 5 m/s; null where none was written
     *
     * @throws InvalidValue when out of range
     */
    public function __construct(public readonly int|float $metres, public readonly int|float|null $pace = null)
    {
        Bounds::Distance->check($metres);
        if ($pace !== null) {
            Bounds::Pace->check($pace);
        }
    }

    public function work(): Seconds
    {
        return Seconds::of($this->metres / ($this->pace ?? self::UNWRITTEN_PACE));
    }

    public function breaks(): Seconds
    {
        return Seconds::zero();
    }

    public function longestHold(): Seconds
    {
        return Seconds::zero();
    }

    public function amount(): int|float
    {
        return $this->metres;
    }

    public function kind(): MeasureKind
    {
        return MeasureKind::Distance;
    }
}
