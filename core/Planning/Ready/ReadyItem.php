<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Ready;

use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Ladder\Category;

/**
 * One place of a ready session: ladders or a category, and what its dose is where it is not the client's own.
 */
final class ReadyItem
{
    /**
     * @param  list<string>  $ladders  the first that is open is taken; none where a category is meant
     * @param  ?int  $reps  about so many repetitions, where the exercise has repetitions
     * @param  ?Intervals  $pieces  a long hold in pieces, where the exercise is a hold
     */
    public function __construct(
        public readonly array $ladders,
        public readonly ?Category $category,
        public readonly ?int $reps,
        public readonly ?Intervals $pieces,
    ) {
    }
}
