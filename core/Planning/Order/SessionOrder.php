<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Order;

use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Puts the exercises of a planned session in their best order.
 */
final class SessionOrder
{
    private const MOST_KEPT = 200;

    /** @var array<string, list<int>> orders found before, by what was ordered */
    private static array $found = [];

    /**
     * @param  list<DraftItem>  $items
     * @param  ?GoalRule  $goal  whose order goes before the style's; null where nobody is meant
     * @return list<DraftItem>
     */
    public static function arrange(array $items, Style $style, ?GoalRule $goal = null): array
    {
        $order = $goal->order ?? $style->plan->order;
        $key = $order->value.implode(
            ' ',
            array_map(static fn (DraftItem $item): string => $item->choice->rung->id.($item->isHeld() ? '*' : ''), $items),
        );
        if (! isset(self::$found[$key])) {
            self::$found = count(self::$found) < self::MOST_KEPT ? self::$found : [];
            $toOrder = array_map(static fn (DraftItem $item): OrderItem => new OrderItem($item->choice->rung, $item->dose), $items);
            self::$found[$key] = (new BestOrder($toOrder, $order, $style->orderWeights))->best();
        }

        return array_map(static fn (int $place): DraftItem => $items[$place], self::$found[$key]);
    }
}
