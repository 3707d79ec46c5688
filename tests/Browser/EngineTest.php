<?php

declare(strict_types=1);

namespace Tests\Browser;

use EvenRungs\Core\Floor\FloorSet;
use EvenRungs\Core\Floor\FloorSpan;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Session\Segment;
use EvenRungs\Core\Session\Session;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * The engine of the floor as it was built, run by itself: what it counts against the timeline of the core.
 */
final class EngineTest extends BrowserTestCase
{
    /** The floor plan of a session, as far as counting goes. */
    private static function plan(Session $session): array
    {
        $library = Documents::data()->library();
        $timeline = Documents::time($session)->timeline;

        return [
            'segments' => array_map(static fn (Segment $segment): array => ['ms' => $segment->ms(), 'what' => $segment->kind->value], $timeline),
            'members' => [['client' => 'c', 'name' => 'C', 'signs' => [], 'readiness' => false, 'said' => (object) []]],
            'sets' => array_map(static function (FloorSet $set) use ($session, $library): array {
                $isHeld = in_array($library->find($session->blocks[$set->block]->entries()[$set->entry]->exercise)?->start()->measure->kind()->value, ['hold', 'intervals'], true);

                return ['member' => 0, 'ladder' => 'l', 'rung' => 'r', 'side' => $set->side, 'twin' => null, 'target' => $isHeld ? $set->target / 1000 : $set->target, 'unit' => $isHeld ? 's' : 'reps', 'unit_ms' => $isHeld ? 1000 * $set->unitMs : $set->unitMs, 'spans' => array_map(static fn (FloorSpan $span): array => ['segment' => $span->segment, 'from_ms' => $span->fromMs, 'to_ms' => $span->toMs], $set->spans), 'can_open' => $isHeld, 'last_of_ladder' => false, 'asked' => (object) []];
            }, RunSheet::of($session, $timeline, $library)),
            'stop' => ['over' => 5, 'kinds' => []],
            'rungs' => (object) [],
            'ticks' => [],
            'planned' => null,
            'easy' => 2,
        ];
    }

    /**
     * Runs each plan until so many milliseconds have passed on its clock.
     *
     * @param  list<array{plan: array<string, mixed>, looks: list<int>, open?: int}>  $cases  at which moments the clock is looked at; the last is asked about. A segment may be opened up first.
     * @return list<array{segment: int, elapsed: float, done: list<float>, left: float, log: array<string, mixed>}>
     */
    private function ran(array $cases): array
    {
        $manifest = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/public/build/manifest.json'), true);
        $this->open('/sign-in');

        return $this->browser->executeAsyncScript('const [file, cases, done] = arguments;
            import(file).then((engine) => done(JSON.parse(cases).map(({ plan, looks, open }) => {
                let run = engine.resume(engine.begin(plan, "2027-01-06"), 0);
                for (const at of looks) {
                    if (open !== undefined && run.segment === open && run.open === undefined) run = engine.openUp(run, at);
                    run = engine.advance(run, at);
                }
                const last = looks[looks.length - 1];
                const worked = engine.pause(engine.skip({ ...run }, last), last);
                return { segment: run.segment, elapsed: engine.elapsedAt(run, last), left: engine.leftAt(run, last), done: plan.sets.map((_, i) => engine.doneOf(worked, i)), log: engine.logOf(worked, 0) };
            }))).catch((error) => done(String(error)));', ['/build/'.$manifest['web/features/floor/run.ts']['file'], json_encode($cases)]);
    }

    public function test_what_counts_when_a_set_ends_early(): void
    {
        // alternate: 8 repetitions a side at 2-0-2-0 take 64 s; after 20 s two of each side are whole (calc)
        $bug = self::plan(Documents::straight([['exercise' => 'Dead bug', 'reps' => 8, 'tempo' => '2-0-2-0', 'side' => 'alternate']]));
        $hold = self::plan(Documents::straight([['exercise' => 'Front plank', 'hold_s' => 20]]));
        $walk = self::plan(Documents::straight([['exercise' => 'Suitcase carry', 'distance_m' => 20, 'side' => 'each']]));
        $found = $this->ran([
            ['plan' => $bug, 'looks' => [7_999]],
            ['plan' => $bug, 'looks' => [9_000, 20_000]],
            ['plan' => $bug, 'looks' => [64_000]],
            ['plan' => $bug, 'looks' => [90_000]],
            ['plan' => $hold, 'looks' => [7_200]],
            // 0.8 m/s for ten seconds are eight metres (calc)
            ['plan' => $walk, 'looks' => [10_000]],
            // an open hold goes on behind its twenty seconds
            ['plan' => $hold, 'looks' => [1_000, 31_400], 'open' => 0],
        ]);
        self::assertSame([0, 2, 8, 8, 7.2, 8, 31.4], array_map(static fn (array $each): int|float => $each['done'][0], $found));
        self::assertSame([true, null], [$found[6]['log']['sets'][0]['open'] ?? null, $found[4]['log']['sets'][0]['open'] ?? null]);
    }

    public function test_the_clock_of_the_floor_and_the_timeline_agree_to_the_millisecond(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $chance = new Randomizer(new Mt19937($seed));
        $cases = [];
        $expected = [];
        for ($i = 0; $i < 120; $i++) {
            $session = Documents::straight([
                ['exercise' => 'Dead bug', 'sets' => $chance->getInt(1, 4), 'reps' => $chance->getInt(1, 12), 'tempo' => ['2-0-2-0', '3-1-3-1', '1-0-1-2'][$chance->getInt(0, 2)], 'side' => ['both', 'each', 'alternate'][$chance->getInt(0, 2)], 'rest_s' => $chance->getInt(5, 60)],
                ['exercise' => 'Side plank', 'sets' => $chance->getInt(1, 3), 'hold_s' => $chance->getInt(5, 45), 'side' => 'each', 'rest_s' => $chance->getInt(0, 45)],
                ['exercise' => 'Front plank', 'sets' => 1, 'intervals' => ['count' => $chance->getInt(2, 5), 'hold_s' => 10, 'rest_s' => 5]],
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
            self::assertSame([(float) $expected[$i]['elapsed'], (float) $expected[$i]['left']], [(float) $found['elapsed'], (float) $found['left']], "seed {$seed}, session {$i}");
            self::assertEquals($expected[$i]['done'], $found['done'], "seed {$seed}, session {$i}");
        }
    }

    /**
     * The same moment on the timeline of the core: the segment, how far it has come, what is left of the session, and whole repetitions or
     * tenths of a second of every set.
     *
     * @return array{segment: int, elapsed: int, left: int, done: list<float|int>}
     */
    private static function after(Session $session, int $ms): array
    {
        $timeline = Documents::time($session)->timeline;
        $total = array_sum(array_map(static fn (Segment $segment): int => $segment->ms(), $timeline));
        $starts = [];
        $at = 0;
        foreach ($timeline as $segment) {
            $starts[] = $at;
            $at += $segment->ms();
        }
        $here = count(array_filter($starts, static fn (int $start): bool => $start <= $ms)) - 1;
        $done = [];
        foreach (RunSheet::of($session, $timeline, Documents::data()->library()) as $set) {
            $worked = 0;
            foreach ($set->spans as $span) {
                $worked += max(0, min($ms, $starts[$span->segment] + $span->toMs) - ($starts[$span->segment] + $span->fromMs));
            }
            // under three seconds it is no set yet, but asked about
            $whole = array_sum(array_map(static fn (FloorSpan $span): int => $span->toMs - $span->fromMs, $set->spans));
            $worked = $worked < min(3_000, $whole) ? 0 : $worked;
            // held time is its own unit, a millisecond each
            $done[] = $set->unitMs === 1 ? min($set->target / 1000, intdiv($worked, 100) / 10) : min($set->target, (int) floor($worked / $set->unitMs));
        }

        return ['segment' => $here, 'elapsed' => $ms - $starts[$here], 'left' => $total - $ms, 'done' => $done];
    }
}
