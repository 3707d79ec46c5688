<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

/**
 * A stretch of a session in which one thing happens. Segments touch: each starts where the one before it ends.
 */
final class Segment
{
    /**
     * @param  ?int  $block  place of its block, from 0
     * @param  ?int  $entry  place of its entry in the block, from 0; a rest or change belongs to the entry it follows
     * @param  'both'|'left'|'right'|'alternate'|null  $side
     * @param  ?int  $repeat  which hold of a set of short holds, from 1
     * @param  ?int  $repeats  of how many
     */
    public function __construct(
        public readonly int $startMs,
        public readonly int $endMs,
        public readonly SegmentKind $kind,
        public readonly ?int $block = null,
        public readonly ?int $entry = null,
        public readonly ?string $exercise = null,
        public readonly ?string $side = null,
        public readonly ?int $set = null,
        public readonly ?int $round = null,
        public readonly ?int $repeat = null,
        public readonly ?int $repeats = null,
    ) {
    }

    public function ms(): int
    {
        return $this->endMs - $this->startMs;
    }
}
