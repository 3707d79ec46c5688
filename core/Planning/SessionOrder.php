<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

/**
 * Orders a session: skill while fresh and held endurance last, no direction twice running, no two shoulder-loaded
 * stations in a row, balance not straight after a hold, and as few changes of position as that leaves.
 */
final class SessionOrder
{
    private const SAME_DIRECTION = 16;

    private const SHOULDERS_TWICE = 8;

    private const BALANCE_AFTER_HOLD = 6;

    private const HELD_EARLY = 4;

    private const CHANGE_OF_POSITION = 2;

    /**
     * @param  list<DraftItem>  $items
     * @return list<DraftItem>
     */
    public static function arrange(array $items): array
    {
        $left = $items;
        $ordered = [];
        while ($left !== []) {
            $last = $ordered === [] ? null : $ordered[count($ordered) - 1];
            usort($left, static fn (DraftItem $a, DraftItem $b): int => self::rank($a, $last) <=> self::rank($b, $last));
            $ordered[] = array_shift($left);
        }

        return $ordered;
    }

    /** @return array{int, int, int, string} */
    private static function rank(DraftItem $item, ?DraftItem $last): array
    {
        $rung = $item->choice->rung;
        $cost = $item->isHeld() ? self::HELD_EARLY : 0;
        if ($last !== null) {
            $before = $last->choice->rung;
            $cost += $before->category === $rung->category ? self::SAME_DIRECTION : 0;
            $cost += $before->grade('shoulder-load') >= 2 && $rung->grade('shoulder-load') >= 2 ? self::SHOULDERS_TWICE : 0;
            $cost += $last->isHeld() && $rung->grade('balance') >= 2 ? self::BALANCE_AFTER_HOLD : 0;
            $cost += $before->position !== $rung->position ? self::CHANGE_OF_POSITION : 0;
        }

        return [$cost, -$rung->level->value, $rung->position->rank(), $rung->id];
    }
}
