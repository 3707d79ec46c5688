<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Line;

/**
 * What the line in one picture is. It suggests; the trainer ticks.
 */
final class JudgedLine
{
    /**
     * @param  list<JointAngle>  $angles
     * @param  ?float  $dropPercent  how far the hip lies from the line shoulder to ankle, else knee, in per cent of its length; positive
     *     above; null where that line is too steep or not there
     * @param  ?float  $tilt  degrees from level, 0 to 90; null where no level was marked
     * @param  list<string>  $faults  ids of the faults it suggests
     * @param  list<string>  $notJudged  what was seen and is not judged: hip, knee
     * @param  list<string>  $text  sentences
     */
    public function __construct(
        public readonly array $angles,
        public readonly ?float $dropPercent,
        public readonly ?float $tilt,
        public readonly array $faults,
        public readonly array $notJudged,
        public readonly array $text,
    ) {
    }

    /** Whether anything that is judged is not as it is meant. */
    public function isOff(): bool
    {
        return array_filter($this->angles, static fn (JointAngle $each): bool => $each->isOff()) !== []
            || ($this->tilt !== null && $this->tilt > LineJudge::TILTED);
    }

    /** Whether anything was judged at all. */
    public function isJudged(): bool
    {
        return $this->tilt !== null || array_filter($this->angles, static fn (JointAngle $each): bool => $each->meant !== null) !== [];
    }
}
