<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\Time\Seconds;

/**
 * How the amount of one set is counted: repetitions, a hold, repeated holds, a work time or a distance.
 */
interface Measure
{
    /** Work in one set of one side (of the whole station for a work time). */
    public function work(): Seconds;

    /** Breaks inside one set of one side. */
    public function breaks(): Seconds;

    /** The longest time held without a break; zero where nothing is held. */
    public function longestHold(): Seconds;

    /** The amount by which two doses of one kind are compared: repetitions, milliseconds held, or metres. */
    public function amount(): int|float;

    public function kind(): MeasureKind;
}
