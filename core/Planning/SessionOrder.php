<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Style\SetOrder;

/**
 * Orders a session by the style: skill while fresh and held endurance last, or held first, or the hardest first. In each, no
 * direction twice running, no two shoulder-loaded stations in a row, balance not straight after a hold, and as few changes
 * of position as that leaves.
 */
final class SessionOrder
{
    private const SAME_DIRECTION = 16;

    private const SHOULDERS_TWICE = 8;

    private const BALANCE_AFTER_HOLD = 6;

    /** What does not go first in the style's order. */
    private const OUT_OF_TURN = 4;

    /** Levels count more than positions where the hardest goes first. */
    private const A_LEVEL_EASIER = 3;

    private const CHANGE_OF_POSITION = 2;

    /**
     * @param  list<DraftItem>  $items
     * @return list<DraftItem>
     */
    public static function arrange(array $items, SetOrder $order): array
    {
        $left = $items;
        $ordered = [];
        while ($left !== []) {
            $last = $ordered === [] ? null : $ordered[count($ordered) - 1];
            $ranks = array_map(static fn (DraftItem $item): array => self::rank($item, $last, $order), $left);
            $next = array_search(min($ranks), $ranks, true);
            $ordered[] = $left[$next];
            array_splice($left, (int) $next, 1);
        }

        return $ordered;
    }

    /** @return array{int, int, int, string} */
    private static function rank(DraftItem $item, ?DraftItem $last, SetOrder $order): array
    {
        $rung = $item->choice->rung;
        $cost = match ($order) {
            SetOrder::SkillFirst => $item->isHeld() ? self::OUT_OF_TURN : 0,
            SetOrder::StaticFirst => $item->isHeld() ? 0 : self::OUT_OF_TURN,
            SetOrder::HardestFirst => self::A_LEVEL_EASIER * (Level::MOST - $rung->level->value),
        };
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
