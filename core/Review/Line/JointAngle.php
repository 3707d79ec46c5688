<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Line;

use EvenRungs\Core\Ladder\MeantAngle;

/**
 * The angle at one joint, in whole tenths of a degree.
 */
final class JointAngle
{
    /**
     * @param  'hip'|'knee'  $joint
     * @param  float  $degrees  between the two neighbours, 0 to 180; 180 is straight
     * @param  float  $off  from straight: positive where the joint lies above the line through its neighbours
     * @param  ?MeantAngle  $meant  null where the rung does not judge it
     */
    public function __construct(
        public readonly string $joint,
        public readonly float $degrees,
        public readonly float $off,
        public readonly ?MeantAngle $meant,
    ) {
    }

    public function fault(): ?string
    {
        return $this->meant?->fault($this->off);
    }

    public function isOff(): bool
    {
        return $this->meant !== null && ! $this->meant->isWithin($this->off);
    }
}
