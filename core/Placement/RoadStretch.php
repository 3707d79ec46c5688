<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Rung;

/**
 * The part of a road that lies on one ladder.
 */
final class RoadStretch
{
    /**
     * @param  ?Rung  $from  where the client stands on it
     * @param  int  $step  of the dose there
     * @param  list<Rung>  $rungs  to climb, easiest first
     * @param  array<string, ?string>  $goals  rungs that are wanted of this ladder, by id: for a gate what clean means there, null for
     *                                         the exercise asked for
     */
    public function __construct(
        public readonly Ladder $ladder,
        public readonly ?Rung $from,
        public readonly int $step,
        public readonly array $rungs,
        public readonly array $goals,
    ) {
    }
}
