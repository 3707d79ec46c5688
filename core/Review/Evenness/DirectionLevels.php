<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Evenness;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Placement\Placement;

/**
 * The level of each direction: the highest rung a client stands on among its ladders in use. One that nobody has seen counts only where
 * none was seen (house rule), so that list, wall and evenness say one number.
 */
final class DirectionLevels
{
    /**
     * @param  array<string, int|null>  $levels  by code of the four directions; null where nothing is stood on
     */
    private function __construct(public readonly array $levels)
    {
    }

    /**
     * @param  list<Placement>  $placements  on the ladders in use
     * @param  list<string>  $trained  ladders that were trained since: what was trained was seen
     */
    public static function of(array $placements, array $trained = []): self
    {
        $levels = [];
        foreach (Category::directions() as $direction) {
            $seen = $assumed = [];
            foreach ($placements as $placement) {
                if ($placement->ladder->category !== $direction || $placement->rung === null) {
                    continue;
                }
                if ($placement->basis->isAssumed() && ! in_array($placement->ladder->id, $trained, true)) {
                    $assumed[] = $placement->rung->level->value;
                } else {
                    $seen[] = $placement->rung->level->value;
                }
            }
            $counted = $seen === [] ? $assumed : $seen;
            $levels[$direction->value] = $counted === [] ? null : max($counted);
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
