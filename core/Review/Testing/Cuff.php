<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Testing;

/**
 * The pressure cuff under the low back while the legs move: pumped to 40 mmHg, and held while the reading stays within
 * 10 mmHg of it.
 *
 * Source: Sahrmann SA (2002) Diagnosis and Treatment of Movement Impairment Syndromes; Stanton R et al. (2004)
 * J Strength Cond Res 18(3):522–528 (values from memory). A change of exactly 10 passes: "no more than 10".
 */
final class Cuff
{
    public const TARGET_MMHG = 40;

    public const REACH_MMHG = 10;

    /** The ladder whose sets it can watch. */
    public const LADDER = 'leg-loading';

    private const LIFTS = 'back-arches';

    /** @param  int|float  $mmHg  millimetres of mercury */
    public static function isHeld(int|float $mmHg): bool
    {
        return abs($mmHg - self::TARGET_MMHG) <= self::REACH_MMHG;
    }

    /** @return ?string id of the fault that a reading shows, a back that lifts; null where it is held or presses, which has no name */
    public static function fault(int|float $mmHg): ?string
    {
        return ! self::isHeld($mmHg) && $mmHg < self::TARGET_MMHG ? self::LIFTS : null;
    }

    /** @param  list<int|float>  $trace  millimetres of mercury, in the order they were read; an empty one was not held */
    public static function wasHeld(array $trace): bool
    {
        return $trace !== [] && array_filter($trace, static fn (int|float $mmHg): bool => ! self::isHeld($mmHg)) === [];
    }
}
