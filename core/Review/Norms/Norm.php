<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Norms;

use EvenRungs\Core\Client\NormGroup;

/**
 * What a published group held in one timed test. A skewed one has percentiles in place of mean and spread.
 */
final class Norm
{
    private const MEDIAN = 50;

    /**
     * @param  string  $test  front-plank, side-plank-left, side-plank-right, extensor or flexor
     * @param  int|float|null  $mean  seconds
     * @param  int|float|null  $sd  seconds
     * @param  array<int, int|float>  $percentiles  seconds by percentile, where the test is too skewed for a mean
     */
    public function __construct(
        public readonly string $test,
        public readonly NormGroup $group,
        public readonly int|float|null $mean,
        public readonly int|float|null $sd,
        public readonly array $percentiles,
        public readonly string $source,
        public readonly int $year,
    ) {
    }

    /** How many spreads a value lies from the mean; null where the group is not a normal curve. */
    public function z(int|float $seconds): ?float
    {
        return $this->mean === null || $this->sd === null ? null : round(($seconds - $this->mean) / $this->sd, 2);
    }

    /** Seconds in the middle of the group: its mean, or the median of a skewed one; null where neither is published. */
    public function middle(): int|float|null
    {
        return $this->mean ?? $this->percentiles[self::MEDIAN] ?? null;
    }

    /** Between which percentiles of the table a value lies, in words; null where there is no table. */
    public function band(int|float $seconds): ?string
    {
        $below = null;
        foreach ($this->percentiles as $percentile => $value) {
            if ($seconds < $value) {
                return $below === null ? sprintf('under the %dth percentile', $percentile) : sprintf(
                    'between the %dth and the %dth percentile',
                    $below,
                    $percentile,
                );
            }
            $below = $percentile;
        }

        return $below === null ? null : sprintf('at or over the %dth percentile', $below);
    }
}
