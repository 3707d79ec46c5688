<?php

declare(strict_types=1);

namespace Tests\Support;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Week;

/**
 * How like a planned week is to one that somebody wrote by hand for the same person: four parts of a hundred, and their mean.
 *
 * Days: those that both train, of those that either does. Exercises: how many there are on a day, a fifth off for each more or fewer. Sets:
 * of the four directions in the week, what is off of the larger numbers. Ladders: those that both use, of those that either does.
 */
final class Likeness
{
    /** @return array{days: int, exercises: int, sets: int, ladders: int, score: int} per cent */
    public static function of(Week $hand, Week $planned): array
    {
        [$h, $p] = [self::counted($hand), self::counted($planned)];
        $off = array_map(
            static fn (string $day): int => max(0, 100 - 20 * abs(($h['exercises'][$day] ?? 0) - ($p['exercises'][$day] ?? 0))),
            array_map(strval(...), array_keys($h['exercises'] + $p['exercises'])),
        );
        $larger = $apart = 0;
        foreach (Category::directions() as $direction) {
            $sets = [$h['sets'][$direction->value] ?? 0, $p['sets'][$direction->value] ?? 0];
            $larger += max($sets);
            $apart += abs($sets[0] - $sets[1]);
        }
        $parts = [
            'days' => self::shared(array_keys($h['exercises']), array_keys($p['exercises'])),
            'exercises' => $off === [] ? 100 : intdiv(array_sum($off), count($off)),
            'sets' => $larger === 0 ? 100 : intdiv(100 * ($larger - $apart), $larger),
            'ladders' => self::shared($h['ladders'], $p['ladders']),
        ];

        return [...$parts, 'score' => intdiv(array_sum($parts), 4)];
    }

    /**
     * @param  list<int|string>  $one
     * @param  list<int|string>  $other
     */
    private static function shared(array $one, array $other): int
    {
        $all = array_unique([...$one, ...$other]);

        return $all === [] ? 100 : intdiv(100 * count(array_intersect(array_unique($one), $other)), count($all));
    }

    /** @return array{exercises: array<string, int>, sets: array<string, int>, ladders: list<string>} */
    private static function counted(Week $week): array
    {
        $exercises = $sets = $ladders = [];
        foreach ($week->sessions as $session) {
            foreach ($session->blocks as $block) {
                foreach ($block->entries() as $entry) {
                    $rung = Documents::data()->library()->find($entry->exercise);
                    if ($rung === null || $rung->category === Category::Bracing) {
                        continue;
                    }
                    $exercises[$session->day->value] = ($exercises[$session->day->value] ?? 0) + 1;
                    $many = $block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets;
                    $sets[$rung->category->value] = ($sets[$rung->category->value] ?? 0) + $many;
                    $ladders[] = $rung->ladder;
                }
            }
        }

        return ['exercises' => $exercises, 'sets' => $sets, 'ladders' => $ladders];
    }
}
