<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

use DateTimeImmutable;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Writing;

/**
 * Whether hard work comes too soon after the last: 48 h between (Garber CE et al. (2011) Med Sci Sports Exerc 43(7):1334–1359, for
 * resistance training, from memory), in whole days, since a log has a day and no hour.
 */
final class HardWork
{
    private const DAYS = 2;

    /**
     * @param  int  $sets  in the four directions
     * @param  int  $ms  of work in the four directions
     */
    public static function isHard(int $sets, int $ms, Style $style): bool
    {
        return $sets >= $style->hardSets || $ms >= $style->hardTension->ms;
    }

    public static function isHardSession(Session $session, Library $library, Style $style): bool
    {
        $tension = SessionTime::of($session, $library)->tensionMs;
        $sets = 0;
        foreach ($session->blocks as $block) {
            foreach ($block->entries() as $entry) {
                $isDirection = $library->find($entry->exercise)?->category->isDirection() ?? false;
                $sets += $isDirection ? ($block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets) : 0;
            }
        }

        return self::isHard($sets, self::inDirections($tension), $style);
    }

    public static function wasHard(WorkDone $done, Style $style): bool
    {
        return self::isHard(self::inDirections($done->sets), self::inDirections($done->ms), $style);
    }

    /** @param  array<string, int>  $byCategory */
    private static function inDirections(array $byCategory): int
    {
        return array_sum(array_map(static fn (Category $each): int => $byCategory[$each->value] ?? 0, Category::directions()));
    }

    /**
     * @param  list<DateTimeImmutable>  $before  days of hard sessions or of tests to the limit
     * @return ?DateTimeImmutable the nearest of them that lies less than 48 h away, before or after; null where there is none
     */
    public static function tooNear(DateTimeImmutable $day, array $before): ?DateTimeImmutable
    {
        $near = array_filter(
            $before,
            static fn (DateTimeImmutable $other): bool => abs((int) $other->diff($day)->format('%r%a')) < self::DAYS,
        );

        return $near === [] ? null : max($near);
    }

    public static function warning(string $what, DateTimeImmutable $last, string $lastWhat): string
    {
        return sprintf('%s within 48 h of %s of %s.', $what, $lastWhat, Writing::day($last));
    }
}
