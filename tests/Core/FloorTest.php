<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Floor\FloorSet;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\SegmentKind;
use EvenRungs\Core\Program\Session;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * The sets that the floor counts. What is done when one ends early is counted by the engine in the browser (tests/Browser/EngineTest).
 */
final class FloorTest extends TestCase
{
    use TestTrait;

    /** @return list<FloorSet> */
    private static function sets(Session $session): array
    {
        return RunSheet::of($session, Documents::time($session)->timeline, Documents::data()->library());
    }

    /** @return list<string> */
    private static function shape(Session $session): array
    {
        return array_map(static fn (FloorSet $set): string => sprintf('%s %s', $set->side, $set->target), self::sets($session));
    }

    public function test_a_row_a_set_and_side_in_the_order_of_the_timeline(): void
    {
        self::assertSame(
            ['left 15000', 'right 15000', 'left 15000', 'right 15000'],
            self::shape(Documents::straight([['exercise' => 'Side plank', 'sets' => 2, 'hold_s' => 15, 'side' => 'each']])),
        );
        self::assertSame(
            ['left 8', 'right 8'],
            self::shape(Documents::straight([['exercise' => 'Dead bug', 'reps' => 8, 'side' => 'alternate']])),
        );
        self::assertSame(
            ['both 12', 'both 12'],
            self::shape(Documents::straight([['exercise' => 'Bridge', 'sets' => 2, 'reps' => 12, 'side' => 'both']])),
        );
        self::assertSame(
            ['left 40000', 'right 40000'],
            self::shape(
                Documents::straight(
                    [['exercise' => 'Side plank', 'intervals' => ['count' => 4, 'hold_s' => 10, 'rest_s' => 5], 'side' => 'each']],
                ),
            ),
            'short holds are one set',
        );
    }

    public function test_segments_and_sets_are_those_of_the_table_that_the_engine_is_run_by(): void
    {
        foreach (json_decode((string) file_get_contents(dirname(__DIR__).'/cases/engine.json'), true)['cases'] as $case) {
            $session = Documents::session($case['blocks'], ['change' => ['side_s' => 5, 'station_s' => 10]]);
            self::assertEquals(
                $case['segments_s'],
                array_map(static fn (Segment $segment): float => $segment->ms() / 1000, Documents::time($session)->timeline),
                $case['name'],
            );
            $isHeld = static fn (FloorSet $set): bool => $set->unitMs === 1;
            self::assertEquals(
                $case['sets'],
                array_map(
                    static fn (FloorSet $set): array => [$set->side, $isHeld($set) ? $set->target / 1000 : $set->target],
                    self::sets($session),
                ),
                $case['name'],
            );
        }
    }

    public function test_a_rest_and_an_unknown_exercise_ask_for_no_wrong_row(): void
    {
        self::assertSame(
            ['both 20000'],
            self::shape(
                Documents::session(
                    [
                        ['type' => 'straight', 'entries' => [['exercise' => 'Front plank', 'hold_s' => 20]]],
                        ['type' => 'rest', 'rest_s' => 30],
                    ],
                ),
            ),
        );
        self::assertSame(['both 20000'], self::shape(Documents::straight([['exercise' => 'Nobody knows this', 'hold_s' => 20]])));
    }

    public function test_a_timed_station_asks_for_what_fits_into_it(): void
    {
        $station = static fn (string $exercise, array $more = []): array => self::shape(
            Documents::session([['type' => 'circuit', 'rounds' => 1, 'entries' => [['exercise' => $exercise, 'work_s' => 40, ...$more]]]]),
        );
        self::assertSame(['both 40000'], $station('Front plank'));
        self::assertSame(['left 20000', 'right 20000'], $station('Side plank', ['side' => 'each']), 'the work time covers both sides');
        $bridge = Documents::data()->library()->find('Bridge');
        $fits = (int) floor(40_000 / ($bridge->start()->measure->work()->ms / $bridge->start()->measure->amount()));
        self::assertSame(['both '.$fits], $station('Bridge'));
    }

    public function test_every_second_of_work_belongs_to_a_set_and_a_whole_session_reaches_every_target(): void
    {
        $this->limitTo(60)->forAll(
            Generators::choose(1, 4),
            Generators::choose(1, 12),
            Generators::elements('both', 'each', 'alternate'),
            Generators::choose(1, 30),
        )
            ->then(static function (int $sets, int $reps, string $side, int $hold): void {
                $session = Documents::straight([
                    ['exercise' => 'Dead bug', 'sets' => $sets, 'reps' => $reps, 'side' => $side, 'rest_s' => 10],
                    ['exercise' => 'Side plank', 'sets' => $sets, 'hold_s' => $hold, 'side' => $side === 'alternate' ? 'each' : $side],
                ]);
                $time = Documents::time($session);
                $found = self::sets($session);
                $work = 0;
                foreach ($time->timeline as $i => $segment) {
                    if ($segment->kind === SegmentKind::Work) {
                        $work += $segment->ms();
                        self::assertNotSame(
                            [],
                            array_filter(
                                $found,
                                static fn (FloorSet $set): bool => in_array($i, array_column($set->spans, 'segment'), true),
                            ),
                        );
                    }
                }
                self::assertSame($time->time->workMs, $work);
                foreach ($found as $set) {
                    $ms = array_sum(array_map(static fn ($span): int => $span->toMs - $span->fromMs, $set->spans));
                    self::assertEquals($set->target * $set->unitMs, $ms);
                }
            });
    }
}
