<?php

declare(strict_types=1);

namespace EvenRungs\Core\Load;

use DateTimeImmutable;
use EvenRungs\Core\Style\Style;

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

    /**
     * @param  list<DateTimeImmutable>  $before  days of hard sessions or of tests to the limit
     * @return ?DateTimeImmutable the nearest of them that lies less than 48 h away, before or after; null where there is none
     */
    public static function tooNear(DateTimeImmutable $day, array $before): ?DateTimeImmutable
    {
        $near = array_filter($before, static fn (DateTimeImmutable $other): bool => abs((int) $other->diff($day)->format('%r%a')) < self::DAYS);

        return $near === [] ? null : max($near);
    }

    public static function warning(string $what, DateTimeImmutable $last, string $lastWhat): string
    {
        return sprintf('%s within 48 h of %s of %s.', $what, $lastWhat, $last->format('Y-m-d'));
    }
}
