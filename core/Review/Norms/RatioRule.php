<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Norms;

/**
 * A rule of thumb that compares two timed tests.
 */
final class RatioRule
{
    /**
     * @param  'side-left-right'|'flexor-extensor'|'side-extensor'  $id
     * @param  int|float  $limit  for left and right the largest difference from 1, else the largest ratio
     * @param  string  $flagged  what it means over the limit
     * @param  string  $fine  what it means within
     */
    public function __construct(
        public readonly string $id,
        public readonly int|float $limit,
        public readonly string $flagged,
        public readonly string $fine,
        public readonly string $source,
    ) {
    }
}
