<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\Style;

/**
 * Which directions a week has less often than the style asks, and why.
 */
final class WeekGaps
{
    public function __construct(private readonly Library $library, private readonly Style $style)
    {
    }

    /**
     * @param  array<string, int>  $covered
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @param  list<Placement>  $placements
     * @return list<Gap>
     */
    public function of(int $week, array $covered, array $choices, array $placements, int $sessions): array
    {
        $gaps = [];
        foreach (Category::directions() as $direction) {
            $times = $covered[$direction->value];
            if ($times >= $this->style->directionSessions) {
                continue;
            }
            $gaps[] = new Gap($direction, $week, match (true) {
                $choices[$direction->value] === [] => $this->whyNothing($direction, $placements),
                $sessions === 0 => 'No day has minutes for a session.',
                $times === 0 => 'The minutes of the week leave no room for it.',
                $sessions === 1 => 'Once only: the week has one training day.',
                default => sprintf(
                    '%s only: the other days have no room for it, or stay light beside other training.',
                    $times === 1 ? 'Once' : $times.' times',
                ),
            });
        }

        return $gaps;
    }

    /** @param  list<Placement>  $placements */
    private function whyNothing(Category $direction, array $placements): string
    {
        $reasons = [];
        foreach ($placements as $placement) {
            if ($placement->ladder->category === $direction) {
                $labels = array_merge(
                    [],
                    ...array_map(
                        fn (Obstacles $each): array => $each->unmetGates === [] ? $each->labels($this->library) : [],
                        $placement->obstacles,
                    ),
                );
                $reasons[] = sprintf('%s: %s.', $placement->ladder->name, match (true) {
                    $placement->rung !== null => 'the goal leaves out every rung that is allowed',
                    $labels === [] => 'its first rung stands too far above the ability',
                    default => 'nothing is allowed ('.implode(', ', array_unique($labels)).')',
                });
            }
        }

        return $reasons === [] ? 'The library has no ladder for it.' : implode(' ', $reasons);
    }
}
