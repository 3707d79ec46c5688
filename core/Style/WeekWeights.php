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
        public readonly int $directionShort,
        public readonly int $wishBroken,
        public readonly int $hardShort,
        public readonly int $noFreeDay,
        public readonly int $hardBesideSport,
        public readonly int $finisherOnHeavyDay,
        public readonly int $hardMinutesLost,
        public readonly int $idleMinutes,
    ) {
    }
}
