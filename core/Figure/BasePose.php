<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * A named pose from which the poses of rungs are built.
 */
final class BasePose
{
    /**
     * @param  list<Rest>  $rests  what the body rests on, one or two; the first stays where it is while the body moves
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly Angles $angles,
        public readonly array $rests,
        public readonly View $view,
    ) {
    }
}
