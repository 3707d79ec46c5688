<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * Repetitions at a tempo, each with a hold or none. Breaths are repetitions, usually at 3-0-3-0.
 */
final class Reps implements Measure
{
    private readonly Seconds $rep;

    /**
     * @param  int  $count  1 to 1000
     * @param  ?Tempo  $tempo  null where none was written: 2-0-2-0 then stands for the time
     * @param  ?Seconds  $hold  1 to 3600 s in every repetition
     *
     * @throws InvalidValue when out of range, or when a repetition would last no time
     */
    public function __construct(
        public readonly int $count,
        public readonly ?Tempo $tempo = null,
        public readonly ?Seconds $hold = null,
    ) {
        Bounds::Reps->check($count);
        if ($hold !== null) {
            Bounds::Hold->check($hold->toNumber());
        }
        $this->rep = ($tempo ?? Tempo::unwritten())->rep()->plus($hold ?? Seconds::zero());
        if ($this->rep->isZero()) {
            throw Contradiction::because('tempo 0-0-0-0 without a hold makes a repetition of no time');
        }
    }

    public function work(): Seconds
    {
        return $this->rep->times($this->count);
    }

    public function breaks(): Seconds
    {
        return Seconds::zero();
    }

    public function longestHold(): Seconds
    {
        return $this->hold ?? Seconds::zero();
    }

    public function amount(): int
    {
        return $this->count;
    }

    public function kind(): MeasureKind
    {
        return MeasureKind::Reps;
    }
}
