<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Dose\Bounds;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * What it takes to turn to the other side and to move to another exercise.
 */
final class Change
{
    /** @throws InvalidValue outside 0 to 3600 s */
    public function __construct(public readonly Seconds $side, public readonly Seconds $station)
    {
        Bounds::Change->check($side->toNumber());
        Bounds::Change->check($station->toNumber());
    }

    public static function none(): self
    {
        return new self(Seconds::zero(), Seconds::zero());
    }

    /** What the planner and the builder write: 5 s a side, 10 s a station. */
    public static function usual(): self
    {
        return new self(Seconds::of(5), Seconds::of(10));
    }
}
