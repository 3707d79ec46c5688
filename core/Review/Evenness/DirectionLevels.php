<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Evenness;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Placement\Placement;

/**
 * The level of each direction: the highest rung a client stands on among its ladders.
 */
final class DirectionLevels
{
    /**
     * @param  array<string, int|null>  $levels  by code of the four directions; null where nothing is stood on
     */
    private function __construct(public readonly array $levels)
    {
    }

    /** @param  list<Placement>  $placements */
    public static function of(array $placements): self
    {
        $levels = [];
        foreach (Category::directions() as $direction) {
            $levels[$direction->value] = null;
            foreach ($placements as $placement) {
                if ($placement->ladder->category === $direction && $placement->rung !== null) {
                    $levels[$direction->value] = max($levels[$direction->value] ?? 0, $placement->rung->level->value);
                }
            }
        }

        return new self($levels);
    }

    /** Levels between the highest direction and the lowest; null with fewer than two. */
    public function spread(): ?int
    {
        $known = array_filter($this->levels, static fn (?int $level): bool => $level !== null);

        return count($known) < 2 ? null : max($known) - min($known);
    }
}
