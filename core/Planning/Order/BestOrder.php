<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Order;

use EvenRungs\Core\Style\OrderWeights;
use EvenRungs\Core\Style\SetOrder;

/**
 * The order of a session that costs the least: pairs against the style's order, two of one direction running, two shoulder-loaded
 * running, balance straight after a hard hold, changes of position and of kit, each with its weight.
 *
 * Exact for up to fourteen exercises: every set of exercises already placed, with every last one, is looked at once. More are ordered by
 * moving one exercise at a time while that makes the order cheaper.
 */
final class BestOrder
{
    public const EXACT_UP_TO = 14;

    /** @var list<OrderItem> */
    private readonly array $items;

    /** @var list<list<int>> cost of the second straight after the first */
    private array $after = [];

    /** @var list<int> for each, those that should not stand before it, as bits */
    private array $late = [];

    private readonly OrderWeights $weights;

    /** @param  list<OrderItem>  $items */
    public function __construct(array $items, SetOrder $order, OrderWeights $weights)
    {
        $this->items = $items;
        $this->weights = $weights = $weights->for($order);
        foreach ($items as $item) {
            $this->after[] = array_map(static fn (OrderItem $next): int => $item->before($next, $weights), $items);
            $bits = 0;
            foreach ($items as $j => $other) {
                $bits |= $other->turn($order) > $item->turn($order) ? 1 << $j : 0;
            }
            $this->late[] = $bits;
        }
    }

    /**
     * What an order costs.
     *
     * @param  list<int>  $places  items by their place in the list that was given
     */
    public function cost(array $places): int
    {
        $cost = $placed = 0;
        foreach ($places as $k => $item) {
            $cost += $this->weights->outOfTurn * self::bits($placed & $this->late[$item]) + (
                $k === 0 ? 0 : $this->after[$places[$k - 1]][$item]
            );
            $placed |= 1 << $item;
        }

        return $cost;
    }

    /** @param  list<int>  $places  whose pairs that stand against the style's order are counted */
    public function outOfTurn(array $places): int
    {
        $pairs = $placed = 0;
        foreach ($places as $item) {
            $pairs += self::bits($placed & $this->late[$item]);
            $placed |= 1 << $item;
        }

        return $pairs;
    }

    /**
     * What no order costs less than: every exercise but one follows the other that it follows most cheaply. Exact orders cost what the
     * best costs; this is said of more exercises.
     */
    public function atLeast(): int
    {
        $follows = [];
        foreach (array_keys($this->items) as $i) {
            $before = array_diff_key(array_column($this->after, $i), [$i => true]);
            $follows[] = $before === [] ? 0 : min($before);
        }

        return $follows === [] ? 0 : array_sum($follows) - max($follows);
    }

    /** @return list<int> the best order, as places in the list that was given */
    public function best(): array
    {
        return count($this->items) <= self::EXACT_UP_TO ? $this->exact() : $this->improved();
    }

    /** @return list<int> */
    private function exact(): array
    {
        $n = count($this->items);
        if ($n < 2) {
            return array_keys($this->items);
        }
        $all = (1 << $n) - 1;
        $least = [];
        $from = [];
        for ($i = 0; $i < $n; $i++) {
            $least[1 << $i] = [$i => 0];
        }
        for ($placed = 1; $placed < $all; $placed++) {
            for ($next = 0; $next < $n; $next++) {
                $bit = 1 << $next;
                if (($placed & $bit) !== 0) {
                    continue;
                }
                $turn = $this->weights->outOfTurn * self::bits($placed & $this->late[$next]);
                $best = PHP_INT_MAX;
                $last = 0;
                foreach ($least[$placed] as $before => $cost) {
                    $cost += $this->after[$before][$next];
                    if ($cost < $best) {
                        [$best, $last] = [$cost, $before];
                    }
                }
                $least[$placed | $bit][$next] = $best + $turn;
                $from[$placed | $bit][$next] = $last;
            }
        }
        ksort($least[$all]);
        $last = (int) array_search(min($least[$all]), $least[$all], true);
        $places = [$last];
        for ($placed = $all; count($places) < $n;) {
            $before = $from[$placed][$last];
            $placed &= ~(1 << $last);
            $places[] = $last = $before;
        }

        return array_reverse($places);
    }

    /** @return list<int> */
    private function improved(): array
    {
        $places = array_keys($this->items);
        $least = $this->cost($places);
        do {
            $better = false;
            foreach (array_keys($places) as $from) {
                foreach (array_keys($places) as $to) {
                    $moved = $places;
                    array_splice($moved, $to, 0, array_splice($moved, $from, 1));
                    $cost = $this->cost($moved);
                    if ($cost < $least) {
                        [$places, $least, $better] = [$moved, $cost, true];
                    }
                }
            }
        } while ($better);

        return $places;
    }

    private static function bits(int $set): int
    {
        $count = 0;
        for (; $set !== 0; $set &= $set - 1) {
            $count++;
        }

        return $count;
    }

    /**
     * What an order costs, in words, each cause with how often it stands there.
     *
     * @param  list<int>  $places
     * @return list<string>
     */
    public function why(array $places): array
    {
        $count = [
            'against the style\'s order' => 0,
            'one direction twice running' => 0,
            'shoulders loaded twice running' => 0,
            'balance straight after a hard hold' => 0,
            'changes of position' => 0,
            'changes of kit' => 0,
        ];
        $placed = 0;
        foreach ($places as $k => $item) {
            $count['against the style\'s order'] += self::bits($placed & $this->late[$item]);
            $placed |= 1 << $item;
            if ($k > 0) {
                [$a, $b] = [$this->items[$places[$k - 1]], $this->items[$item]];
                $count['one direction twice running'] += $a->rung->category === $b->rung->category ? 1 : 0;
                $count['shoulders loaded twice running'] += $a->loadsShoulders() && $b->loadsShoulders() ? 1 : 0;
                $count['balance straight after a hard hold'] += $a->held && $b->asksBalance() ? 1 : 0;
                $count['changes of position'] += $a->rung->position !== $b->rung->position ? 1 : 0;
                $count['changes of kit'] += $a->rung->equipment !== $b->rung->equipment ? 1 : 0;
            }
        }
        $why = [];
        foreach ($count as $what => $times) {
            if ($times > 0) {
                $why[] = sprintf('%d × %s', $times, $what);
            }
        }

        return $why;
    }
}
