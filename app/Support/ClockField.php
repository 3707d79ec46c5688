<?php

declare(strict_types=1);

namespace App\Support;

use EvenRungs\Core\Time\Seconds;

/**
 * A time as pages read it: seconds, and the same as m:ss.
 */
final class ClockField
{
    /** @return array{seconds: int|float, text: string} exact seconds, and m:ss to the nearest second */
    public static function of(Seconds $time): array
    {
        return ['seconds' => $time->toNumber(), 'text' => Seconds::of(round($time->toNumber()))->toClock()];
    }
}
