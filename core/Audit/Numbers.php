<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * The lines that an audit measures against. House rules, from a house style or the usual ones.
 */
final class Numbers
{
    /**
     * @param  int  $hardSets  from this many sets in the four directions a session is hard
     * @param  Seconds  $hardTension  from this much work in the four directions a session is hard
     * @param  Seconds  $holdCap  the longest unbroken hold
     * @param  Seconds  $switchOnTension  the most work of a switch-on
     * @param  Seconds  $switchOnHold  the longest hold of a switch-on
     */
    private function __construct(
        public readonly int $hardSets,
        public readonly Seconds $hardTension,
        public readonly Seconds $holdCap,
        public readonly Seconds $switchOnTension,
        public readonly Seconds $switchOnHold,
    ) {
    }

    public static function usual(): self
    {
        return new self(6, Seconds::of(150), Seconds::of(60), Seconds::of(240), Seconds::of(30));
    }

    public static function of(?Style $style): self
    {
        return $style === null ? self::usual() : new self(
            $style->hardSets,
            $style->hardTension,
            $style->holdCap,
            $style->switchOnTension,
            $style->switchOnHold,
        );
    }
}
