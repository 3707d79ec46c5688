<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

/**
 * What a logged amount is counted in. Amounts are kept in repetitions, metres, and milliseconds for seconds; documents and pages speak of
 * repetitions, metres and seconds.
 */
enum Unit: string
{
    case Reps = 'reps';
    case Seconds = 's';
    case Metres = 'm';

    /** Milliseconds, of which a second that is kept has so many. */
    private const MS = 1000;

    /** An amount as it is kept. */
    public function kept(int|float $shown): int|float
    {
        return $this === self::Seconds ? $shown * self::MS : $shown;
    }

    /** An amount as documents and pages have it. */
    public function shown(int|float $kept): int|float
    {
        return $this === self::Seconds ? $kept / self::MS : $kept;
    }
}
