<?php

declare(strict_types=1);

// The best order of ten exercises, the best days of a week, and a whole planned week of a general client with three half hours, beside a
// yardstick of the same run: sorting ten thousand numbers. Then a week of each of two hundred clients at random, in every style.

require dirname(__DIR__).'/vendor/autoload.php';

use EvenRungs\Core\Planning\Order\BestOrder;
use EvenRungs\Core\Planning\Order\OrderItem;
use EvenRungs\Core\Planning\Week\BestWeek;
use EvenRungs\Core\Planning\Week\DayUse;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Planning\Week\WeekWishes;
use EvenRungs\Core\Style\SetOrder;
use EvenRungs\Formats\Node;
use EvenRungs\Storage\DataFolder;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

const RUNS = 40;

const ANYONES = 200;

const SEED = 20261129;

/** @return float milliseconds, the 95th percentile */
function p95(callable $work): float
{
    $times = [];
    for ($i = 0; $i < RUNS; $i++) {
        $began = hrtime(true);
        $work($i);
        $times[] = (hrtime(true) - $began) / 1e6;
    }
    sort($times);

    return $times[(int) (0.95 * RUNS)];
}

mt_srand(7);
$data = DataFolder::shipped();
$style = $data->style(DataFolder::DEFAULT_STYLE);
$rungs = $data->library()->rungs();
$yardstick = p95(static function (): void {
    $numbers = array_map(static fn (): int => mt_rand(), range(1, 10_000));
    sort($numbers);
});
$order = p95(static function () use ($rungs, $style): void {
    $items = array_map(
        static fn (): OrderItem => new OrderItem($rung = $rungs[mt_rand(0, count($rungs) - 1)], $rung->top()),
        range(1, 10),
    );
    (new BestOrder($items, SetOrder::SkillFirst, $style->orderWeights))->best();
});
$week = p95(static function () use ($style): void {
    $no = array_fill(0, 7, false);
    $times = ['AE' => 2, 'AF' => 2, 'AL' => 2, 'AR' => 3];
    $minutes = array_map(static fn (): int => 60_000 * mt_rand(5, 40), range(1, 7));
    BestWeek::of(
        new WeekWishes($minutes, $no, $no, $no, $no, $times, 3, 6, 1_800_000, 480_000, [2 => DayUse::Hard, 4 => DayUse::Light]),
        $style->weekWeights,
    );
});
$goals = $data->goals();
$client = $data->clients()->readForPlanning(new Node([
    'format' => 'even-rungs/client', 'version' => 1, 'name' => 'A', 'goal' => 'general', 'screen' => ['flags' => []],
    'ability' => ['AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4], 'equipment' => ['mat', 'band', 'wall', 'bench'],
    'days' => ['mon' => 30, 'wed' => 30, 'fri' => 30],
]));
$planned = p95(static fn () => (new WeekPlanner($data->library(), $style, $goals))->plan($client));
foreach (['order of ten' => [$order, 20], 'week' => [$week, 50], 'planned week' => [$planned, 50]] as $what => [$ms, $aim]) {
    printf(
        "Best %s: p95 %.1f ms, %.1f times the yardstick; the aim is under %d ms: %s\n",
        $what,
        $ms,
        $ms / $yardstick,
        $aim,
        $ms < $aim ? 'met' : 'MISSED',
    );
}
$chance = new Randomizer(new Mt19937(SEED));
$styles = $data->styleNames();
$times = [];
for ($i = 0; $i < ANYONES; $i++) {
    $anyone = Documents::anyone($chance);
    $planner = new WeekPlanner($data->library(), $data->style($styles[$i % count($styles)]), $goals);
    $began = hrtime(true);
    $planner->plan($anyone);
    $times[] = (hrtime(true) - $began) / 1e6;
}
sort($times);
printf(
    "Week of %d clients at random, seed %d: mean %.0f ms, middle %.0f ms, p95 %.0f ms; %d under 50 ms, which is the aim of each\n",
    ANYONES,
    SEED,
    array_sum($times) / ANYONES,
    $times[intdiv(ANYONES, 2)],
    $times[intdiv(95 * ANYONES, 100)],
    count(array_filter($times, static fn (float $ms): bool => $ms < 50)),
);
$rows = ['week,day,kind,block,exercise,sets,hold_s,side,rest_s'];
$names = ['Front plank', 'Side plank', 'Bird dog', 'Press-out', 'Nobody knows this', 'Farmer\'s carry', 'bridge', 'Hollow hold'];
for ($i = 0; $i < 5000; $i++) {
    $rows[] = sprintf(
        '%d,%s,standalone,%d,%s,2,20,each,30',
        1 + intdiv($i, 48),
        ['mon', 'wed', 'fri'][intdiv($i, 16) % 3],
        1 + intdiv($i, 8) % 2,
        $names[$i % 8],
    );
}
$began = hrtime(true);
$process = proc_open([PHP_BINARY, dirname(__DIR__).'/cli/main.php', 'audit'], [['pipe', 'r'], ['file', '/dev/null', 'w'], STDERR], $pipes);
fwrite($pipes[0], implode("\r\n", $rows));
fclose($pipes[0]);
proc_close($process);
$seconds = (hrtime(true) - $began) / 1e9;
printf(
    "Audit of a CSV of 5,000 rows: %.2f s, %.0f times the yardstick; the aim is under 2 s: %s\n",
    $seconds,
    1000 * $seconds / $yardstick,
    $seconds < 2 ? 'met' : 'MISSED',
);
