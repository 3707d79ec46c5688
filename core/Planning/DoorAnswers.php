<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use EvenRungs\Core\Body\LimitRule;
use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Verdict\PainKind;

/**
 * What a client says on walking in.
 */
final class DoorAnswers
{
    /**
     * @param  list<LimitRule>  $sore  where it is sore today
     * @param  int  $soreness  of the trunk, 0 to 10
     * @param  int  $pain  0 to 10
     * @param  ?Seconds  $left  time that is really left; null for the minutes of the day
     * @param  list<string>|null  $equipment  kit ids to hand today; null for the usual kit of the place
     * @param  ?PainKind  $painKind  null where there is no pain, or nobody asked
     */
    public function __construct(
        public readonly array $sore = [],
        public readonly int $soreness = 0,
        public readonly int $pain = 0,
        public readonly ?Seconds $left = null,
        public readonly ?array $equipment = null,
        public readonly ?PainKind $painKind = null,
    ) {
    }
}
