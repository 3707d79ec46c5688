<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Ladder\Position;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Planning\Order\BestOrder;
use EvenRungs\Core\Planning\Order\OrderItem;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Style\SetOrder;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * The order inside a session: exact where it says so, with a bound elsewhere, and the order of learners before anything else.
 */
final class SessionOrdersTest extends TestCase
{
    /** @return list<OrderItem> */
    private static function items(Randomizer $chance, int $count): array
    {
        $rungs = array_values(Documents::data()->library()->rungs());

        return array_map(
            static fn (int $key): OrderItem => new OrderItem($rungs[$key], $rungs[$key]->top()),
            array_values($chance->pickArrayKeys($rungs, $count)),
        );
    }

    public function test_no_exchange_of_two_makes_a_best_order_of_fourteen_cheaper_and_none_is_under_the_bound(): void
    {
        $chance = new Randomizer(new Mt19937(20261128));
        $weights = Documents::data()->style('even-keel')->orderWeights;
        foreach ([11, 12, 14, 15] as $count) {
            foreach (SetOrder::cases() as $order) {
                $best = new BestOrder(self::items($chance, $count), $order, $weights);
                $places = $best->best();
                $least = $best->cost($places);
                self::assertSame(range(0, $count - 1), self::sorted($places), 'each exercise once');
                self::assertLessThanOrEqual($least, $best->atLeast());
                for ($try = 0; $try < 300; $try++) {
                    $other = $chance->shuffleArray($places);
                    self::assertGreaterThanOrEqual($least, $best->cost($other), "{$count} exercises, {$order->value}");
                }
                if ($count <= BestOrder::EXACT_UP_TO) {
                    foreach (range(0, $count - 2) as $i) {
                        foreach (range($i + 1, $count - 1) as $j) {
                            $other = $places;
                            [$other[$i], $other[$j]] = [$other[$j], $other[$i]];
                            self::assertGreaterThanOrEqual($least, $best->cost($other));
                        }
                    }
                }
            }
        }
    }

    /**
     * @param  list<int>  $places
     * @return list<int>
     */
    private static function sorted(array $places): array
    {
        sort($places);

        return $places;
    }

    /** House rule: the goal youth, and anyone under 18, holds before moving and is supported before standing free, whatever the style. */
    public function test_learners_hold_before_they_move_and_are_supported_before_they_are_free(): void
    {
        $library = Documents::data()->library();
        foreach (Documents::data()->styleNames() as $style) {
            foreach (['youth', 'strength', 'endurance-sport'] as $goal) {
                $client = Documents::client([
                    'goal' => $goal,
                    'born' => 2013,
                    'as_of' => '2027-01-04',
                    'equipment' => Documents::ALL_KIT,
                    'ability' => ['BR' => 4, 'AE' => 5, 'AF' => 5, 'AL' => 5, 'AR' => 5],
                    'days' => ['mon' => 25, 'thu' => 25],
                ]);
                foreach (Documents::plan($client, 1, $style)->weeks[0]->sessions as $session) {
                    foreach ($session->blocks as $b => $block) {
                        $turns = array_map(
                            static fn (Entry $entry): int => self::turn($library->rung($entry->exercise), $entry),
                            $block->entries(),
                        );
                        $sorted = $turns;
                        sort($sorted);
                        self::assertSame($sorted, $turns, "{$style}, {$goal}, {$session->day->label()}, block {$b}");
                    }
                }
            }
        }
    }

    private static function turn(Rung $rung, Entry $entry): int
    {
        $isFree = in_array($rung->position, [Position::Standing, Position::Hanging], true)
            && array_intersect($rung->equipment, ['wall', 'bench']) === [];

        return ($entry->dose->measure->longestHold()->toNumber() >= 10 ? 0 : 2) + ($isFree ? 1 : 0);
    }

    public function test_a_style_may_carry_first(): void
    {
        $style = Documents::styleWith('order', 'carry-first');
        $client = Documents::client([
            'equipment' => Documents::ALL_KIT,
            'ability' => ['BR' => 4, 'AE' => 5, 'AF' => 5, 'AL' => 5, 'AR' => 5],
            'days' => ['mon' => 30, 'thu' => 30],
            'ladders' => ['brace', 'plank', 'bird-dog', 'carry', 'press-out', 'bridge'],
        ]);
        $carried = 0;
        foreach (Documents::plan($client, 1, $style)->weeks[0]->sessions as $session) {
            $exercises = array_map(
                static fn (Entry $entry): string => Documents::data()->library()->rung($entry->exercise)->ladder,
                $session->blocks[count($session->blocks) - 1]->entries(),
            );
            self::assertNotInstanceOf(CircuitBlock::class, $session->blocks[1]);
            $at = array_search('carry', $exercises, true);
            if ($at !== false) {
                $carried++;
                self::assertSame(0, $at, implode(', ', $exercises));
            }
        }
        self::assertGreaterThan(0, $carried);
    }
}
