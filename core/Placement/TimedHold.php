<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Tests;
use EvenRungs\Core\Time\Seconds;

/**
 * The best of a timed test: of two sides, the worse.
 */
final class TimedHold
{
    /**
     * @param  'left'|'right'|null  $worseSide
     */
    private function __construct(public readonly Seconds $best, public readonly ?string $worseSide)
    {
    }

    /** Null where the test was not done, or only one side of it: a side that is not known is no pass. */
    public static function of(string $test, Tests $tests): ?self
    {
        if (isset($tests->holds[$test])) {
            return new self($tests->holds[$test], null);
        }
        $left = $tests->holds[$test.'-left'] ?? null;
        $right = $tests->holds[$test.'-right'] ?? null;
        if ($left === null || $right === null) {
            return null;
        }

        return match ($left->ms <=> $right->ms) {
            -1 => new self($left, 'left'),
            1 => new self($right, 'right'),
            default => new self($left, null),
        };
    }
}
