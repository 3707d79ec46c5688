<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Norms;

/**
 * One ratio of a client's tests.
 */
final class Ratio
{
    /** @param  ?float  $value  null where it is not computable */
    public function __construct(
        public readonly RatioRule $rule,
        public readonly ?float $value,
        public readonly bool $flag,
        public readonly string $meaning,
    ) {
    }
}
