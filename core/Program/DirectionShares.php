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
        $sets = $ms = self::none();
        foreach ($week->sessions as $session) {
            $time = SessionTime::of($session, $library);
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
                }
            }
        }

        return new self(self::sessionsOf($week, $library), $sets, $ms);
    }

    /** @return array<string, int> sessions that train each direction, by code; switch-on sessions do not count */
    public static function sessionsOf(Week $week, Library $library): array
    {
        $sessions = self::none();
        foreach ($week->sessions as $session) {
            $trained = [];
            foreach ($session->kind === Kind::Activation ? [] : $session->entries() as $entry) {
                $rung = $library->find($entry->exercise);
                if ($rung !== null) {
                    $trained[$rung->category->value] = true;
                }
            }
            foreach (array_keys($trained) as $code) {
                $sessions[$code]++;
            }
        }

        return $sessions;
    }

    /** @return array<string, int> */
    private static function none(): array
    {
        return array_fill_keys(array_column(Category::cases(), 'value'), 0);
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
