<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Norms;

/**
 * A test beside the time before. Inside the test's own noise a change is not called progress.
 */
final class Change
{
    /**
     * @param  int|float  $before  seconds
     * @param  int|float  $by  seconds, more is positive
     * @param  int|float  $noise  seconds a change must exceed to count
     */
    public function __construct(
        public readonly int|float $before,
        public readonly int|float $by,
        public readonly int|float $noise,
    ) {
    }

    public function counts(): bool
    {
        return abs($this->by) > $this->noise;
    }
}
