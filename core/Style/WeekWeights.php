<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

/**
 * What each thing costs that is not as it should be in a week. House rules, from data/weights.json.
 */
final class WeekWeights
{
    /**
     * @param  int  $directionShort  each session that a direction is short of what is meant
     * @param  int  $wishBroken  each wish for a day that is given up
     * @param  int  $hardShort  each hard session short of what the style means
     * @param  int  $noFreeDay  each training day over the most of the style
     * @param  int  $hardBesideSport  each hard session on a day with endurance or skill sport
     * @param  int  $finisherOnHeavyDay  each finisher after a heavy lift, where a switch-on would be lighter
     * @param  int  $hardMinutesLost  each whole five minutes that a hard session is shorter than the style's longest
     * @param  int  $idleMinutes  each whole five minutes offered on a day without a session, one at least
     */
    public function __construct(
        public readonly int $directionShort = 100,
        public readonly int $wishBroken = 70,
        public readonly int $hardShort = 40,
        public readonly int $noFreeDay = 30,
        public readonly int $hardBesideSport = 6,
        public readonly int $finisherOnHeavyDay = 4,
        public readonly int $hardMinutesLost = 1,
        public readonly int $idleMinutes = 1,
    ) {
    }
}
