<?php

declare(strict_types=1);

namespace Tests\Reference;

use EvenRungs\Core\Dose\Distance;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Planning\Order\BestOrder;
use EvenRungs\Core\Planning\Order\OrderItem;
use EvenRungs\Core\Planning\Week\BestWeek;
use EvenRungs\Core\Planning\Week\DayUse;
use EvenRungs\Core\Planning\Week\WeekWishes;
use EvenRungs\Core\Style\OrderWeights;
use EvenRungs\Core\Style\SetOrder;
use EvenRungs\Core\Style\WeekWeights;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * The best order and the best week against an integer-program solver, glpsol of glpk-utils. Its models are written here from the
 * objective as docs/rules.md states it, not from the code: an assignment of places and days by zero-one variables.
 */
final class SolverTest extends TestCase
{
    private static function cases(): int
    {
        return (int) (getenv('EVEN_RUNGS_SOLVER_CASES') ?: 30);
    }

    public function test_the_best_order_costs_what_the_solver_says(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        fprintf(STDERR, "\nOrders against the solver, seed %d\n", $seed);
        $random = new Randomizer(new Mt19937($seed));
        $rungs = array_values(
            array_filter(Documents::data()->library()->rungs(), static fn (Rung $rung): bool => $rung->category->isDirection()),
        );
        for ($case = 0; $case < self::cases(); $case++) {
            $items = [];
            foreach ($random->pickArrayKeys($rungs, $random->getInt(3, 6)) as $key) {
                $items[] = new OrderItem($rungs[$key], $rungs[$key]->top());
            }
            $order = SetOrder::cases()[$random->getInt(0, count(SetOrder::cases()) - 1)];
            $weights = new OrderWeights(
                $random->getInt(0, 9),
                $random->getInt(0, 20),
                $random->getInt(0, 20),
                $random->getInt(0, 20),
                $random->getInt(0, 9),
                $random->getInt(0, 9),
            );
            $best = new BestOrder($items, $order, $weights);

            self::assertSame(
                Glpsol::optimum(self::orderModel($items, $order, $weights)),
                $best->cost($best->best()),
                sprintf('seed %d, case %d', $seed, $case),
            );
        }
    }

    /**
     * Who stands where (p), who stands straight before whom (x), who stands anywhere before whom (y).
     *
     * @param  list<OrderItem>  $items
     */
    private static function orderModel(array $items, SetOrder $order, OrderWeights $w): string
    {
        $w = $w->for($order);
        $n = count($items);
        $turn = static fn (OrderItem $item): int => match ($order) {
            SetOrder::SkillFirst => $item->held ? 2 : ($item->rung->grade('balance') >= 2 ? 0 : 1),
            SetOrder::StaticFirst => $item->held ? 0 : 1,
            SetOrder::HardestFirst => -$item->rung->level->value,
            SetOrder::CarryFirst => match (true) {
                $item->rung->start()->measure instanceof Distance => 0,
                $item->rung->category->value === 'AR' => 1,
                default => 2,
            },
            SetOrder::HeldAndSupportedFirst => ($item->held ? 0 : 10)
                + (in_array($item->rung->position->value, ['standing', 'hanging'], true)
                    && array_intersect($item->rung->equipment, ['wall', 'bench']) === [] ? 1 : 0),
        };
        $cost = $bounds = $rows = [];
        for ($i = 0; $i < $n; $i++) {
            $rows[] = implode(' + ', array_map(static fn (int $k): string => "p_{$i}_$k", range(0, $n - 1))).' = 1';
            $rows[] = implode(' + ', array_map(static fn (int $k): string => "p_{$k}_$i", range(0, $n - 1))).' = 1';
            for ($j = 0; $j < $n; $j++) {
                $bounds[] = "p_{$i}_$j";
                if ($i === $j) {
                    continue;
                }
                array_push($bounds, "x_{$i}_$j", "y_{$i}_$j");
                [$a, $b] = [$items[$i], $items[$j]];
                $follow = ($a->rung->category === $b->rung->category ? $w->sameDirection : 0)
                    + ($a->rung->grade('shoulder-load') >= 2 && $b->rung->grade('shoulder-load') >= 2 ? $w->shouldersTwice : 0)
                    + ($a->held && $b->rung->grade('balance') >= 2 ? $w->balanceAfterHold : 0)
                    + ($a->rung->position === $b->rung->position ? 0 : $w->changeOfPosition)
                    + ($a->rung->equipment === $b->rung->equipment ? 0 : $w->changeOfKit);
                $cost[] = $follow." x_{$i}_$j";
                $cost[] = ($turn($a) > $turn($b) ? $w->outOfTurn : 0)." y_{$i}_$j";
                for ($k = 0; $k < $n - 1; $k++) {
                    $rows[] = "x_{$i}_$j - p_{$i}_$k - p_{$j}_".($k + 1).' >= -1';
                }
                if ($i < $j) {
                    $rows[] = "y_{$i}_$j + y_{$j}_$i = 1";
                    $place = static fn (int $item): string => implode(
                        ' + ',
                        array_map(static fn (int $k): string => "$k p_{$item}_$k", range(1, $n - 1)),
                    );
                    $minus = static fn (int $item): string => implode(
                        ' ',
                        array_map(static fn (int $k): string => "- $k p_{$item}_$k", range(1, $n - 1)),
                    );
                    $rows[] = $place($j).' '.$minus($i)." - $n y_{$i}_$j >= ".(1 - $n);
                    $rows[] = $place($i).' '.$minus($j)." - $n y_{$j}_$i >= ".(1 - $n);
                }
            }
        }

        return "Minimize\n cost: ".implode(
            "\n + ",
            $cost,
        )."\nSubject To\n ".implode("\n ", $rows)."\nBinary\n ".implode("\n ", $bounds)."\nEnd\n";
    }

    public function test_the_best_week_costs_what_the_solver_says(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        fprintf(STDERR, "\nWeeks against the solver, seed %d\n", $seed);
        $random = new Randomizer(new Mt19937($seed));
        $days = static fn (int $one, int $in): array => array_map(static fn (): bool => $random->getInt(1, $in) <= $one, range(0, 6));
        for ($case = 0; $case < self::cases(); $case++) {
            $match = $days(1, 12);
            $heavy = array_map(static fn (bool $a, bool $b): bool => $a || $b, $match, $days(1, 5));
            $wished = [];
            foreach (range(0, 6) as $day) {
                if ($random->getInt(1, 4) === 1) {
                    $wished[$day] = DayUse::cases()[$random->getInt(0, 4)];
                }
            }
            $wishes = new WeekWishes(
                array_map(static fn (): int => $random->getInt(1, 4) === 1 ? 0 : 60_000 * $random->getInt(2, 45), range(0, 6)),
                $heavy,
                $match,
                $days(1, 4),
                array_map(static fn (bool $a, bool $b): bool => $a || $b, $heavy, $days(1, 4)),
                [
                    'AE' => $random->getInt(1, 4),
                    'AF' => $random->getInt(1, 4),
                    'AL' => $random->getInt(1, 4),
                    'AR' => $random->getInt(1, 4),
                ],
                $random->getInt(0, 3),
                $random->getInt(3, 7),
                1_800_000,
                480_000,
                $wished,
            );
            $weights = new WeekWeights(...array_map(static fn (): int => $random->getInt(0, 60), range(1, 8)));

            self::assertSame(
                Glpsol::optimum(self::weekModel($wishes, $weights)),
                BestWeek::of($wishes, $weights)->cost,
                sprintf('seed %d, case %d', $seed, $case),
            );
        }
    }

    /** Each day has one use (u), gives each direction one session or none (s), and every direction may be short (m). */
    private static function weekModel(WeekWishes $wishes, WeekWeights $w): string
    {
        $cost = ['0 none'];
        $rows = ['none = 0'];
        $binary = [];
        $uses = ['free', 'switch-on', 'finisher', 'light', 'hard'];
        $name = static fn (int $day, string $use): string => 'u_'.$day.'_'.strtr($use, '-', '_');
        $hard = $training = [];
        $elsewhere = 0;
        foreach (range(0, 6) as $day) {
            $minutes = intdiv($wishes->ms[$day], 60_000);
            $before = $wishes->heavy[($day + 1) % 7];
            $allowed = match (true) {
                $minutes === 0 => ['free'],
                $wishes->match[$day] => ['free', 'switch-on'],
                $wishes->heavy[$day] => ['free', 'switch-on', 'finisher'],
                $before => ['free', 'light'],
                default => ['free', 'light', 'hard'],
            };
            $room = [];
            foreach ($uses as $use) {
                $binary[] = $name($day, $use);
                if (! in_array($use, $allowed, true)) {
                    $rows[] = $name($day, $use).' = 0';
                }
                $length = min($minutes, in_array($use, ['light', 'hard'], true) ? 30 : 8);
                $fits = intdiv($length, 3);
                $room[] = (match ($use) {
                    'hard' => min(4, $fits),
                    'light', 'finisher' => min(2, $fits),
                    default => 0,
                }).' '.$name($day, $use);
                $wished = ($wishes->wished[$day] ?? null)?->value;
                $cost[] = (($wished !== null && $wished !== $use ? $w->wishBroken : 0) + match ($use) {
                    'hard' => ($wishes->sport[$day] ? $w->hardBesideSport : 0) + $w->hardMinutesLost * intdiv(30 - $length, 5),
                    'finisher' => $w->finisherOnHeavyDay,
                    'free' => $minutes === 0 ? 0 : $w->idleMinutes * max(1, intdiv($minutes, 5)),
                    default => 0,
                }).' '.$name($day, $use);
            }
            $rows[] = implode(' + ', array_map(static fn (string $use): string => $name($day, $use), $uses)).' = 1';
            $rows[] = $name($day, 'hard').' + '.$name(($day + 1) % 7, 'hard').' <= 1';
            $given = array_map(static fn (string $direction): string => "s_{$day}_$direction", array_keys($wishes->times));
            array_push($binary, ...$given);
            $rows[] = implode(' + ', $given).' - '.implode(' - ', $room).' <= 0';
            $hard[] = $name($day, 'hard');
            if ($wishes->elsewhere[$day]) {
                $elsewhere++;
            } else {
                $training[] = '- '.$name($day, 'free');
                $elsewhere++;
            }
        }
        foreach ($wishes->times as $direction => $times) {
            $rows[] = "m_$direction + ".implode(
                ' + ',
                array_map(static fn (int $day): string => "s_{$day}_$direction", range(0, 6)),
            )." >= $times";
            $cost[] = $w->directionShort." m_$direction";
        }
        $rows[] = implode(' + ', $hard).' <= '.$wishes->hardDays;
        $rows[] = 'hard_short + '.implode(' + ', $hard).' >= '.$wishes->hardDays;
        $cost[] = $w->hardShort.' hard_short';
        // days of training are all seven, less those that are free and have none elsewhere
        $rows[] = 'over'.(
            $training === [] ? '' : ' '.implode(
                ' ',
                array_map(static fn (string $free): string => str_replace('- ', '+ ', $free), $training),
            )
        ).' >= '.($elsewhere - $wishes->trainingDays);
        $cost[] = $w->noFreeDay.' over';

        return "Minimize\n cost: ".implode(
            "\n + ",
            $cost,
        )."\nSubject To\n ".implode("\n ", $rows)."\nBinary\n ".implode("\n ", $binary)."\nEnd\n";
    }
}
