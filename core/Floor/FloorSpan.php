<?php

declare(strict_types=1);

namespace EvenRungs\Core\Floor;

/**
 * The part of a segment of the timeline in which a set is worked at, in milliseconds after the segment's start.
 */
final class FloorSpan
{
    public function __construct(public readonly int $segment, public readonly int $fromMs, public readonly int $toMs)
    {
    }
}
