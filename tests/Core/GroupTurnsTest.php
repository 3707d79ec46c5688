<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Planning\Group\GroupPlace;
use EvenRungs\Core\Planning\Group\GroupTurns;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * Who is where in a group, and whether the kit suffices. Against every order there is, where there are few enough to try them all.
 */
final class GroupTurnsTest extends TestCase
{
    /** @return list<list<GroupPlace>> random rungs for a group, by station and member */
    private static function stations(Randomizer $chance, int $members, int $stations): array
    {
        $rungs = array_values(
            array_filter(
                Documents::data()->library()->rungs(),
                static fn (Rung $rung): bool => array_intersect(
                    $rung->equipment,
                    ['band', 'kettlebell', 'ball', 'bench'],
                ) !== [] || $rung->level->value < 3,
            ),
        );

        return array_map(
            static fn (): array => array_map(
                static fn (int $member): GroupPlace => new GroupPlace(
                    (string) $member,
                    $chance->getInt(0, 9) === 0 ? null : $rungs[$chance->getInt(0, count($rungs) - 1)],
                    null,
                    false,
                    [],
                ),
                range(0, $members - 1),
            ),
            range(1, $stations),
        );
    }

    /** @return array<string, int> */
    private static function kit(Randomizer $chance): array
    {
        return [
            'band' => $chance->getInt(1, 3),
            'kettlebell' => $chance->getInt(1, 3),
            'ball' => $chance->getInt(1, 2),
            'bench' => $chance->getInt(1, 2),
        ];
    }

    public function test_everybody_comes_to_every_station_once_a_round_and_nobody_shares_one_that_is_free(): void
    {
        $chance = new Randomizer(new Mt19937(20261127));
        for ($try = 0; $try < 150; $try++) {
            [$members, $count] = [$chance->getInt(2, 12), $chance->getInt(2, 8)];
            $turns = GroupTurns::rotating(self::stations($chance, $members, $count), self::kit($chance));
            self::assertEqualsCanonicalizing(range(0, $members - 1), $turns->slots, 'an order of the people, nobody twice');
            foreach (range(0, $members - 1) as $member) {
                self::assertEqualsCanonicalizing(
                    range(0, $count - 1),
                    array_map(static fn (int $turn): int => $turns->stationOf($member, $turn), range(0, $count - 1)),
                );
            }
            foreach (range(0, $count - 1) as $turn) {
                $at = array_count_values(
                    array_map(static fn (int $member): int => $turns->stationOf($member, $turn), range(0, $members - 1)),
                );
                self::assertLessThanOrEqual((int) ceil($members / $count), max($at));
            }
        }
    }

    public function test_an_order_in_which_the_kit_suffices_is_found_where_there_is_one_and_else_what_is_short_is_said(): void
    {
        $chance = new Randomizer(new Mt19937(7));
        $fit = $short = 0;
        for ($try = 0; $try < 60; $try++) {
            [$members, $count] = [$chance->getInt(2, 5), $chance->getInt(2, 6)];
            $stations = self::stations($chance, $members, $count);
            $kit = self::kit($chance);
            $turns = GroupTurns::rotating($stations, $kit);
            $possible = array_filter(
                self::orders(range(0, $members - 1)),
                static fn (array $order): bool => self::isEnough($stations, $order, $kit),
            );
            self::assertSame($possible !== [], $turns->short($kit) === [], 'as trying every order says');
            $possible === [] ? $short++ : $fit++;
            foreach ($turns->short($kit) as $each) {
                self::assertGreaterThan($each['has'], $each['needs']);
            }
        }
        self::assertGreaterThan(5, min($fit, $short), 'both were met');
    }

    /**
     * @param  list<int>  $of
     * @return list<list<int>>
     */
    private static function orders(array $of): array
    {
        if ($of === []) {
            return [[]];
        }
        $all = [];
        foreach ($of as $i => $first) {
            foreach (self::orders(array_values(array_diff_key($of, [$i => 0]))) as $rest) {
                $all[] = [$first, ...$rest];
            }
        }

        return $all;
    }

    /**
     * Counted anew, turn by turn.
     *
     * @param  list<list<GroupPlace>>  $stations
     * @param  list<int>  $order
     * @param  array<string, int>  $kit
     */
    private static function isEnough(array $stations, array $order, array $kit): bool
    {
        foreach (array_keys($stations) as $turn) {
            foreach ($kit as $piece => $has) {
                $needs = 0;
                foreach ($order as $member => $slot) {
                    $needs += in_array($piece, $stations[($turn + $slot) % count($stations)][$member]->rung->equipment ?? [], true) ? 1 : 0;
                }
                if ($needs > $has) {
                    return false;
                }
            }
        }

        return true;
    }

    public function test_together_everybody_is_at_one_station_and_three_that_need_one_band_are_told(): void
    {
        $library = Documents::data()->library();
        $band = $library->rung('press-out-standing');
        self::assertContains('band', $band->equipment);
        $place = static fn (string $member): GroupPlace => new GroupPlace($member, $band, null, false, []);
        $rest = static fn (string $member): GroupPlace => new GroupPlace($member, null, null, false, []);
        $stations = [[$place('a'), $place('b'), $place('c')], [$rest('a'), $rest('b'), $rest('c')], [$rest('a'), $rest('b'), $rest('c')]];
        self::assertSame([['kit' => 'band', 'turn' => 1, 'needs' => 3, 'has' => 1]], GroupTurns::together($stations)->short(['band' => 1]));
        self::assertSame(
            [],
            GroupTurns::rotating($stations, ['band' => 1])->short(['band' => 1]),
            'one after the other, one band is enough',
        );
    }
}
