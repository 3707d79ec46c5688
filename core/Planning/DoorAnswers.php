<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use EvenRungs\Core\Body\LimitRule;
use EvenRungs\Core\Dose\Seconds;

/**
 * What a client says on walking in.
 */
final class DoorAnswers
{
    /**
     * @param  list<LimitRule>  $sore  where it is sore today
     * @param  int  $soreness  of the trunk, 0 to 10
     * @param  int  $pain  0 to 10
     * @param  ?Seconds  $left  time that is really left; null for as long as planned
     * @param  list<string>|null  $equipment  kit ids to hand today; null for the usual kit
     */
    public function __construct(
        public readonly array $sore = [],
        public readonly int $soreness = 0,
        public readonly int $pain = 0,
        public readonly ?Seconds $left = null,
        public readonly ?array $equipment = null,
    ) {
    }
}
