<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;

/**
 * What share of a week's work each direction gets. A category that an exercise trains by the way counts half its seconds.
 */
final class DirectionShares
{
    /**
     * @param  array<string, int>  $sessions  sessions that train the direction, by code; switch-on sessions do not count
     * @param  array<string, int>  $sets
     * @param  array<string, int>  $ms  weighted work
     */
    private function __construct(
        public readonly array $sessions,
        public readonly array $sets,
        public readonly array $ms,
    ) {
    }

    public static function of(Week $week, Library $library): self
    {
        $sessions = $sets = $ms = array_fill_keys(array_column(Category::cases(), 'value'), 0);
        foreach ($week->sessions as $session) {
            $time = SessionTime::of($session, $library);
            $trained = [];
            foreach ($session->blocks as $b => $block) {
                foreach ($block->entries() as $e => $entry) {
                    $rung = $library->find($entry->exercise);
                    if ($rung === null) {
                        continue;
                    }
                    $work = $time->entries[$b][$e]->workMs;
                    $ms[$rung->category->value] += $work;
                    foreach ($rung->also as $also) {
                        $ms[$also->value] += intdiv($work, 2);
                    }
                    $sets[$rung->category->value] += $block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets;
                    $trained[$rung->category->value] = true;
                }
            }
            if ($session->kind !== Kind::Activation) {
                foreach (array_keys($trained) as $code) {
                    $sessions[$code]++;
                }
            }
        }

        return new self($sessions, $sets, $ms);
    }

    /** @return int whole per cent of the four directions' weighted work; 0 where there is none */
    public function percent(Category $direction): int
    {
        $all = 0;
        foreach (Category::directions() as $each) {
            $all += $this->ms[$each->value];
        }

        return $all === 0 ? 0 : (int) round(100 * $this->ms[$direction->value] / $all);
    }
}
