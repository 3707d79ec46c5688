<?php

declare(strict_types=1);

namespace Tests\Browser;

use EvenRungs\Core\Floor\FloorSet;
use EvenRungs\Core\Floor\FloorSpan;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\Session;
use Tests\Support\Documents;

/**
 * Plans for the engine of the floor, and running them.
 */
trait EnginePlans
{
    /** The floor plan of a session, as far as counting goes. */
    private static function plan(Session $session): array
    {
        $library = Documents::data()->library();
        $timeline = Documents::time($session)->timeline;

        return [
            'segments' => array_map(
                static fn (Segment $segment): array => ['ms' => $segment->ms(), 'what' => $segment->kind->value],
                $timeline,
            ),
            'members' => [['client' => 'c', 'name' => 'C', 'signs' => [], 'readiness' => false, 'said' => (object) []]],
            'sets' => array_map(static function (FloorSet $set) use ($session, $library): array {
                $isHeld = in_array(
                    $library->find($session->blocks[$set->block]->entries()[$set->entry]->exercise)?->start()->measure->kind()->value,
                    ['hold', 'intervals'],
                    true,
                );

                return [
                    'member' => 0,
                    'ladder' => 'l',
                    'rung' => 'r',
                    'side' => $set->side,
                    'twin' => null,
                    'target' => $isHeld ? $set->target / 1000 : $set->target,
                    'unit' => $isHeld ? 's' : 'reps',
                    'unit_ms' => $isHeld ? 1000 * $set->unitMs : $set->unitMs,
                    'spans' => array_map(
                        static fn (FloorSpan $span): array => [
                            'segment' => $span->segment,
                            'from_ms' => $span->fromMs,
                            'to_ms' => $span->toMs,
                        ],
                        $set->spans,
                    ),
                    'can_open' => $isHeld,
                    'last_of_ladder' => false,
                    'asked' => (object) [],
                ];
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
     * @param  list<array{plan: array<string, mixed>, looks: list<int>, open?: int}>  $cases  at which moments the clock is looked at; the
     *                                                             last is asked about. A segment may be opened up first.
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
                return { segment: run.segment, elapsed: engine.elapsedAt(run, last), left: engine.leftAt(run, last),
                    done: plan.sets.map((_, i) => engine.doneOf(worked, i)), log: engine.logOf(worked, 0) };
            }))).catch((error) => done(String(error)));', ['/build/'.$manifest['web/parts/run/run.ts']['file'], json_encode($cases)]);
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
            $done[] = $set->unitMs === 1 ? min($set->target / 1000, intdiv($worked, 100) / 10) : min(
                $set->target,
                (int) floor($worked / $set->unitMs),
            );
        }

        return ['segment' => $here, 'elapsed' => $ms - $starts[$here], 'left' => $total - $ms, 'done' => $done];
    }
}
