<?php

declare(strict_types=1);

namespace Tests\Browser;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * The engine of the floor as it was built, run by itself: what it counts against the timeline of the core.
 */
final class EngineTest extends BrowserTestCase
{
    use EnginePlans;

    public function test_what_counts_after_so_many_seconds_is_as_the_table_says(): void
    {
        $table = json_decode((string) file_get_contents(dirname(__DIR__).'/cases/engine.json'), true)['cases'];
        $cases = [];
        $expected = [];
        foreach ($table as ['name' => $name, 'blocks' => $blocks, 'looks' => $looks]) {
            $plan = self::plan(Documents::session($blocks, ['change' => ['side_s' => 5, 'station_s' => 10]]));
            foreach ($looks as [$at, $segment, $done]) {
                $cases[] = ['plan' => $plan, 'looks' => [(int) round(1000 * $at)]];
                $expected[] = [$name.', '.$at, $segment, $done];
            }
        }
        foreach ($this->ran($cases) as $i => $found) {
            self::assertEquals($expected[$i], [$expected[$i][0], $found['segment'], $found['done']]);
        }
    }

    public function test_an_open_hold_goes_on_behind_its_time(): void
    {
        $hold = self::plan(Documents::straight([['exercise' => 'Front plank', 'hold_s' => 20]]));
        [$open, $ended] = $this->ran([['plan' => $hold, 'looks' => [1_000, 31_400], 'open' => 0], ['plan' => $hold, 'looks' => [7_200]]]);
        self::assertSame([31.4, 7.2], [$open['done'][0], $ended['done'][0]]);
        self::assertSame([true, null], [$open['log']['sets'][0]['open'] ?? null, $ended['log']['sets'][0]['open'] ?? null]);
    }

    public function test_pain_seven_of_one_in_a_group_leaves_the_times_of_the_others_right(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $chance = new Randomizer(new Mt19937($seed));
        $cases = [];
        $expected = [];
        for ($i = 0; $i < 60; $i++) {
            $members = $chance->getInt(2, 6);
            $stations = $chance->getInt(2, 4);
            $work = 1000 * $chance->getInt(10, 60);
            $rest = 1000 * $chance->getInt(0, 30);
            $segments = [];
            $sets = [];
            for ($s = 0; $s < $stations; $s++) {
                for ($m = 0; $m < $members; $m++) {
                    $sets[] = [
                        'member' => $m,
                        'ladder' => 'l',
                        'rung' => 'r',
                        'side' => 'both',
                        'twin' => null,
                        'target' => $work / 1000,
                        'unit' => 's',
                        'unit_ms' => 1000,
                        'spans' => [['segment' => count($segments), 'from_ms' => 0, 'to_ms' => $work]],
                        'can_open' => false,
                        'last_of_ladder' => false,
                        'asked' => (object) [],
                    ];
                }
                $segments[] = ['ms' => $work, 'what' => 'work'];
                $segments[] = ['ms' => $rest, 'what' => 'rest'];
            }
            $plan = [
                'segments' => $segments,
                'members' => array_map(
                    static fn (int $m): array => [
                        'client' => (string) $m,
                        'name' => (string) $m,
                        'signs' => [],
                        'readiness' => false,
                        'said' => (object) [],
                    ],
                    range(0, $members - 1),
                ),
                'sets' => $sets,
                'stop' => ['over' => 5, 'kinds' => []],
                'rungs' => (object) [],
                'ticks' => [],
                'planned' => null,
                'easy' => 2,
            ];
            $total = array_sum(array_column($segments, 'ms'));
            $hurt = $chance->getInt(3_000, $total - 1);
            $cases[] = [
                'plan' => $plan,
                'who' => $chance->getInt(0, $members - 1),
                'hurt' => $hurt,
                'stands' => $chance->getInt(0, 200_000),
                'end' => $total,
            ];
            $expected[] = [$work, $rest];
        }
        $manifest = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/public/build/manifest.json'), true);
        $this->open('/sign-in');
        $found = $this->browser->executeAsyncScript('const [file, cases, done] = arguments;
            import(file).then((engine) => done(JSON.parse(cases).map(({ plan, who, hurt, stands, end }) => {
                let run = engine.resume(engine.begin(plan, "2027-01-06"), 0);
                for (let at = 0; at < hurt; at += 137) run = engine.advance(run, at);
                run = engine.report(engine.advance(run, hurt), plan.sets.findIndex((set) => set.member === who), { pain: 7 }, hurt);
                const stood = run.since === null;
                const again = hurt + stands;
                run = engine.resume(run, again);
                for (let at = again; at < end + stands; at += 311) run = engine.advance(run, at);
                run = engine.advance(run, end + stands);
                return { stood, over: engine.isOver(run), done: plan.sets.map((_, i) => engine.doneOf(run, i)) };
            }))).catch((error) => done(String(error)));', ['/build/'.$manifest['web/parts/run/run.ts']['file'], json_encode($cases)]);
        foreach ($found as $i => $each) {
            ['plan' => $plan, 'who' => $who, 'hurt' => $hurt] = $cases[$i];
            [$work, $rest] = $expected[$i];
            self::assertSame([true, true], [$each['stood'], $each['over']], "seed {$seed}, group {$i}");
            foreach ($plan['sets'] as $s => $set) {
                $start = ($work + $rest) * intdiv($s, count($plan['members']));
                $worked = $set['member'] === $who ? max(0, min($work, $hurt - $start)) : $work;
                $whole = $worked < 3_000 ? 0 : intdiv($worked, 100) / 10;
                self::assertEqualsWithDelta($whole, $each['done'][$s], 0.05, "seed {$seed}, group {$i}, set {$s}");
            }
        }
    }

    public function test_the_clock_of_the_floor_and_the_timeline_agree_to_the_millisecond(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $chance = new Randomizer(new Mt19937($seed));
        $cases = [];
        $expected = [];
        for ($i = 0; $i < 120; $i++) {
            $session = Documents::straight([
                [
                    'exercise' => 'Dead bug',
                    'sets' => $chance->getInt(1, 4),
                    'reps' => $chance->getInt(1, 12),
                    'tempo' => ['2-0-2-0', '3-1-3-1', '1-0-1-2'][$chance->getInt(0, 2)],
                    'side' => ['both', 'each', 'alternate'][$chance->getInt(0, 2)],
                    'rest_s' => $chance->getInt(5, 60),
                ],
                [
                    'exercise' => 'Side plank',
                    'sets' => $chance->getInt(1, 3),
                    'hold_s' => $chance->getInt(5, 45),
                    'side' => 'each',
                    'rest_s' => $chance->getInt(0, 45),
                ],
                [
                    'exercise' => 'Front plank',
                    'sets' => 1,
                    'intervals' => ['count' => $chance->getInt(2, 5), 'hold_s' => 10, 'rest_s' => 5],
                ],
            ]);
            $plan = self::plan($session);
            $total = array_sum(array_column($plan['segments'], 'ms'));
            $looks = array_map(static fn (): int => $chance->getInt(1, $total - 1), range(1, $chance->getInt(1, 40)));
            sort($looks);
            $cases[] = ['plan' => $plan, 'looks' => $looks];
            $expected[] = self::after($session, end($looks));
        }
        foreach ($this->ran($cases) as $i => $found) {
            self::assertSame($expected[$i]['segment'], $found['segment'], "seed {$seed}, session {$i}");
            self::assertSame(
                [(float) $expected[$i]['elapsed'], (float) $expected[$i]['left']],
                [(float) $found['elapsed'], (float) $found['left']],
                "seed {$seed}, session {$i}",
            );
            self::assertEquals($expected[$i]['done'], $found['done'], "seed {$seed}, session {$i}");
        }
    }
}
