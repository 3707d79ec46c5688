<?php

declare(strict_types=1);

namespace EvenRungs\Core\Evenness;

use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Placement;

/**
 * Which directions run ahead of the others. A direction two levels or more ahead of the lowest holds its rung while its dose may move,
 * and the minutes go to the lowest; nothing is ever taken down for evenness. A direction whose next rung a limit bars is left out
 * (house rule).
 */
final class EvennessRule
{
    private const AHEAD = 2;

    /**
     * @param  array<string, int>  $levels  of the directions that are compared, by code
     * @param  array<string, string>  $leftOut  why a direction is not compared, by code
     * @param  ?string  $lowest  code of the lowest, where another is ahead of it
     * @param  list<string>  $hold  codes of those that are ahead
     */
    private function __construct(
        public readonly array $levels,
        public readonly array $leftOut,
        public readonly ?string $lowest,
        public readonly array $hold,
    ) {
    }

    /** @return list<Category> the four directions, and the hips */
    public static function compared(): array
    {
        return [...Category::directions(), Category::Hip];
    }

    /** @param  list<Placement>  $placements  on the ladders in use */
    public static function of(array $placements, Client $client, Library $library): self
    {
        $levels = $leftOut = [];
        foreach (self::compared() as $category) {
            $highest = null;
            foreach ($placements as $placement) {
                if ($placement->ladder->category === $category && $placement->rung !== null && ($highest?->rung === null || $placement->rung->level->value > $highest->rung->level->value)) {
                    $highest = $placement;
                }
            }
            if ($highest?->rung === null) {
                $leftOut[$category->value] = 'nothing of it is in use';

                continue;
            }
            $next = $library->ladderOf($highest->rung)->above($highest->rung)[0] ?? null;
            $bars = $next === null ? [] : $client->bars($next);
            if ($next !== null && $bars !== []) {
                $leftOut[$category->value] = sprintf('its next rung, %s, is barred by %s', lcfirst($next->name), lcfirst($library->limits[$bars[0]->limit]->name));

                continue;
            }
            $levels[$category->value] = $highest->rung->level->value;
        }
        $least = $levels === [] ? 0 : min($levels);
        $hold = array_keys(array_filter($levels, static fn (int $level): bool => $level >= $least + self::AHEAD));

        return new self($levels, $leftOut, $hold === [] ? null : (string) array_search($least, $levels, true), $hold);
    }

    public function spread(): int
    {
        return $this->levels === [] ? 0 : max($this->levels) - min($this->levels);
    }

    /** Whether a rung of the category is held although it is earned. */
    public function holds(Category $category): bool
    {
        return in_array($category->value, $this->hold, true);
    }
}
