<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Evenness;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Placement;

/**
 * Which directions run ahead of the others. A direction two levels or more ahead of the lowest holds its rung while its dose may move,
 * and the minutes go to the lowest; nothing is ever taken down for evenness. A direction whose next rung a limit bars is left out,
 * and so is one whose level nobody has seen (house rule).
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

    /**
     * @param  list<Placement>  $placements  on the ladders in use
     * @param  list<string>  $trained  ladders that were trained since: what was trained was seen
     */
    public static function of(array $placements, Client $client, Library $library, array $trained = []): self
    {
        $levels = $leftOut = [];
        foreach (self::compared() as $category) {
            $highest = null;
            $assumed = false;
            foreach ($placements as $placement) {
                if (
                    $placement->ladder->category === $category
                    && $placement->rung !== null
                    && $placement->basis->isAssumed()
                    && ! in_array($placement->ladder->id, $trained, true)
                ) {
                    $assumed = true;
                } elseif (
                    $placement->ladder->category === $category
                    && $placement->rung !== null
                    && ($highest?->rung === null || $placement->rung->level->value > $highest->rung->level->value)
                ) {
                    $highest = $placement;
                }
            }
            if ($highest?->rung === null) {
                $leftOut[$category->value] = $assumed ? 'it was not tested, its level is only assumed' : 'nothing of it is in use';

                continue;
            }
            $next = $library->ladderOf($highest->rung)->above($highest->rung)[0] ?? null;
            $bars = $next === null ? [] : $client->bars($next);
            if ($next !== null && $bars !== []) {
                $leftOut[$category->value] = sprintf(
                    'its next rung, %s, is barred by %s',
                    lcfirst($next->name),
                    lcfirst($library->limits[$bars[0]->limit]->name),
                );

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

    /** What the rule asks for on the whole. */
    public function proposal(): string
    {
        if ($this->lowest === null) {
            return sprintf('No direction is %d levels or more ahead of another: every ladder may go on.', self::AHEAD);
        }
        $names = implode(', ', array_map(self::name(...), $this->hold));

        return sprintf(
            '%s %s the rung, while the dose may move; spend the minutes on %s. Nothing is taken down for evenness.',
            ucfirst($names),
            count($this->hold) === 1 ? 'holds' : 'hold',
            self::name($this->lowest),
        );
    }

    /** @return array<string, string> why the rung of a direction may wait, by code */
    public function reasons(): array
    {
        $reasons = [];
        foreach ($this->hold as $code) {
            $reasons[$code] = sprintf(
                '%s is %d levels ahead of %s: for evenness the rung may wait, while the dose moves.',
                ucfirst(self::name($code)),
                $this->levels[$code] - $this->levels[(string) $this->lowest],
                self::name((string) $this->lowest),
            );
        }

        return $reasons;
    }

    private static function name(string $code): string
    {
        return lcfirst(Category::from($code)->label());
    }
}
