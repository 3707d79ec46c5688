<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Progress;

use EvenRungs\Core\Ladder\Category;

/**
 * The level of each direction from day to day: the highest rung somebody stood on among its ladders, as `DirectionLevels` counts it.
 */
final class LevelsOverTime
{
    /**
     * @param  array<string, array<string, array{level: ?int, assumed: bool}>>  $days  by ISO date, oldest first, and code of the direction;
     *                                                                               only days on which something became otherwise
     */
    private function __construct(public readonly array $days)
    {
    }

    /** @param  list<Stand>  $stands  oldest first; the last of a day and ladder counts */
    public static function of(array $stands): self
    {
        $now = [];
        $days = [];
        foreach ($stands as $stand) {
            $now[$stand->ladder->id] = $stand;
            $days[$stand->on->format('Y-m-d')] = self::levels($now);
        }
        $before = null;
        foreach ($days as $day => $levels) {
            if ($levels === $before) {
                unset($days[$day]);
            }
            $before = $levels;
        }

        return new self($days);
    }

    /**
     * @param  array<string, Stand>  $now  by ladder
     * @return array<string, array{level: ?int, assumed: bool}>
     */
    private static function levels(array $now): array
    {
        $levels = [];
        foreach (Category::directions() as $direction) {
            $of = array_filter($now, static fn (Stand $each): bool => $each->ladder->category === $direction && $each->rung !== null);
            $seen = array_filter($of, static fn (Stand $each): bool => ! $each->assumed);
            $counted = array_map(static fn (Stand $each): int => (int) $each->level(), $seen === [] ? $of : $seen);
            $levels[$direction->value] = ['level' => $counted === [] ? null : max($counted), 'assumed' => $of !== [] && $seen === []];
        }

        return $levels;
    }

    /** What became of a direction, such as `from 3 to 5`; nothing where it never had a level. */
    public function inWords(Category $direction): ?string
    {
        $known = array_values(
            array_filter(array_column($this->days, $direction->value), static fn (array $each): bool => $each['level'] !== null),
        );
        if ($known === []) {
            return null;
        }
        $last = $known[count($known) - 1];
        $said = $known[0]['level'] === $last['level'] ? sprintf('stays at %d', $last['level']) : sprintf(
            'from %d to %d',
            $known[0]['level'],
            $last['level'],
        );

        return $last['assumed'] ? $said.', assumed and not seen yet' : $said;
    }
}
