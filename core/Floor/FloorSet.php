<?php

declare(strict_types=1);

namespace EvenRungs\Core\Floor;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Ladder\Rung;

/**
 * One set of one side as the floor counts it.
 */
final class FloorSet
{
    /**
     * @param  int  $block  place of its block in the session, from 0; likewise the entry in the block
     * @param  'left'|'right'|'both'  $side
     * @param  int|float  $target  repetitions, milliseconds held, or metres
     * @param  int|float  $unitMs  milliseconds of the timeline that one of them takes
     * @param  list<FloorSpan>  $spans  when it is worked at
     * @param  bool  $timed  the time is the dose: the clock leaves no room for the amount that is aimed at, and what is counted is
     *                       information
     */
    public function __construct(
        public readonly int $block,
        public readonly int $entry,
        public readonly string $side,
        public readonly ?int $round,
        public readonly int|float $target,
        public readonly int|float $unitMs,
        public readonly array $spans,
        public readonly bool $timed = false,
    ) {
    }

    public function with(FloorSpan $span): self
    {
        return new self(
            $this->block,
            $this->entry,
            $this->side,
            $this->round,
            $this->target,
            $this->unitMs,
            [...$this->spans, $span],
            $this->timed,
        );
    }

    /**
     * How much of a dose is asked in one set, and how long one repetition, millisecond or metre of it takes. A station that is
     * worked for a time asks for what fits into it at the tempo, and for no more than the rung's own dose where one is aimed at.
     *
     * @param  int  $ms  that one side is worked at
     * @param  ?Rung  $rung  null for an exercise that nobody knows
     * @param  ?Dose  $aim  what a person of a group aims at inside the work time
     * @return array{int|float, int|float}
     */
    public static function measure(Dose $dose, int $ms, ?Rung $rung, ?Dose $aim = null): array
    {
        $measure = $dose->measure;
        if ($measure instanceof Work) {
            $own = $aim->measure ?? $rung?->start()->measure ?? $measure;
            if ($own instanceof Hold || $own instanceof Intervals || $own instanceof Work) {
                return [$aim === null ? $ms : min($ms, $own->amount()), 1];
            }
            $unit = $own->work()->ms / $own->amount();
            $fits = max(1, (int) floor($ms / $unit));

            return [$aim === null ? $fits : min($fits, $own->amount()), $unit];
        }
        if ($measure instanceof Hold || $measure instanceof Intervals) {
            return [$measure->amount(), 1];
        }

        return [$measure->amount(), $measure->work()->ms / $measure->amount()];
    }
}
