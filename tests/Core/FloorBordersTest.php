<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Floor\FloorSet;
use EvenRungs\Core\Floor\FloorSpan;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\HardWork;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Fit;
use EvenRungs\Core\Program\MinutesLeft;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\SegmentKind;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Seconds;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * How much one set asks and how long it takes, what a week trains, and what goes first where minutes are short: at the borders.
 */
final class FloorBordersTest extends TestCase
{
    private static function rung(string $id): Rung
    {
        return Documents::data()->library()->rung($id);
    }

    public function test_what_one_set_asks_and_how_long_one_of_it_takes(): void
    {
        $of = static fn (string $dose, int $ms, ?string $rung = null, ?string $aim = null): array => FloorSet::measure(
            Shorthand::parse($dose),
            $ms,
            $rung === null ? null : self::rung($rung),
            $aim === null ? null : Shorthand::parse($aim),
        );
        self::assertEquals([8, 4000], $of('2 × 8', 0));
        self::assertEquals([8, 6000], $of('2 × 8 3-1-2-0', 0));
        self::assertEquals([30_000, 1], $of('2 × 30 s', 0));
        self::assertEquals([40_000, 1], $of('2 × (4 × 10 s / 5 s)', 0));
        self::assertEquals([20, 1000], $of('2 × 20 m at 1 m/s', 0));
        self::assertEquals([40_000, 1], $of('1 × 40 s work', 40_000), 'nobody knows what it is: its time');
        self::assertEquals([40_000, 1], $of('1 × 40 s work', 40_000, 'forearm-plank'), 'what is held is held for the time');
        self::assertEquals([10, 4000], $of('1 × 40 s work', 40_000, 'heel-taps', '1 × 12'), 'ten of four seconds fit');
        self::assertEquals([12, 4000], $of('1 × 60 s work', 60_000, 'heel-taps', '1 × 12'), 'no more than is aimed at');
        self::assertEquals([1, 4000], $of('1 × 3 s work', 3_000, 'heel-taps', '1 × 12'), 'one at least');
        self::assertEquals([2, 4000], $of('1 × 8 s work', 8_000, 'heel-taps', '1 × 12'), 'two to the millisecond');
        self::assertEquals([1, 4000], $of('1 × 8 s work', 7_999, 'heel-taps', '1 × 12'));
        self::assertEquals([20_000, 1], $of('1 × 40 s work', 40_000, 'forearm-plank', '1 × 20 s'));
        self::assertEquals([15_000, 1], $of('1 × 15 s work', 15_000, 'forearm-plank', '1 × 20 s'));
        self::assertEquals([20_000, 1], $of('1 × 40 s work', 40_000, 'forearm-plank', '1 × (2 × 10 s / 5 s)'));
        self::assertEquals([30_000, 1], $of('1 × 40 s work', 40_000, 'heel-taps', '1 × 30 s work'));
    }

    public function test_one_of_a_group_has_half_the_time_a_side_and_the_time_is_the_dose_where_it_does_not_suffice(): void
    {
        $segment = new Segment(0, 41_000, SegmentKind::Work, 1, 2, 'heel-taps', null, null, 3);
        $shape = static fn (string $aim, string $rung): array => array_map(
            static fn (FloorSet $set): array => [
                $set->side, $set->target, $set->timed, $set->block, $set->entry, $set->round,
                array_map(static fn (FloorSpan $span): array => [$span->segment, $span->fromMs, $span->toMs], $set->spans),
            ],
            RunSheet::ofMember(7, $segment, self::rung($rung), Shorthand::parse($aim)),
        );
        self::assertEquals([['both', 10, true, 1, 2, 3, [[7, 0, 41_000]]]], $shape('1 × 12', 'heel-taps'));
        self::assertEquals([['both', 10, false, 1, 2, 3, [[7, 0, 41_000]]]], $shape('1 × 10', 'heel-taps'), 'it just suffices');
        self::assertEquals(
            [['left', 5, true, 1, 2, 3, [[7, 0, 20_500]]], ['right', 5, true, 1, 2, 3, [[7, 20_500, 41_000]]]],
            $shape('1 × 8 /s', 'heel-taps'),
        );
        self::assertEquals(
            [['left', 20_000, false, 1, 2, 3, [[7, 0, 20_500]]], ['right', 20_000, false, 1, 2, 3, [[7, 20_500, 41_000]]]],
            $shape('1 × 20 s /s', 'side-plank-split'),
        );
    }

    public function test_a_week_counts_sets_rounds_and_sessions_by_direction(): void
    {
        $library = Documents::data()->library();
        $straight = Documents::straight([
            ['exercise' => 'Front plank', 'sets' => 2, 'hold_s' => 30],
            ['exercise' => 'Front plank', 'sets' => 1, 'hold_s' => 30],
            ['exercise' => 'Nobody knows this', 'sets' => 3, 'hold_s' => 30],
        ]);
        $circuit = Documents::session([
            ['type' => 'circuit', 'rounds' => 3, 'entries' => [['exercise' => 'Side plank', 'hold_s' => 20, 'side' => 'each']]],
        ]);
        $opening = Documents::straight([['exercise' => 'Front plank', 'sets' => 1, 'hold_s' => 10]], ['kind' => 'activation']);
        $week = DirectionShares::of(new Week(1, [], [$straight, $circuit, $opening]), $library);
        self::assertSame([4, 3], [$week->sets['AE'], $week->sets['AL']]);
        self::assertSame([1, 1], [$week->sessions['AE'], $week->sessions['AL']], 'a switch-on is no session of a direction');
        self::assertSame([100_000, 120_000], [$week->ms['AE'], $week->ms['AL']]);
        $percent = static fn (string $code): int => $week->percent(\EvenRungs\Core\Ladder\Category::from($code));
        self::assertSame([45, 55, 0], [$percent('AE'), $percent('AL'), $percent('AR')]);
        self::assertSame(0, DirectionShares::of(new Week(1, [], []), $library)->percent(\EvenRungs\Core\Ladder\Category::from('AE')));
    }

    public function test_what_is_cut_first_is_what_costs_least(): void
    {
        $fit = new Fit(Documents::data()->library());
        $session = Documents::session([
            ['type' => 'straight', 'entries' => [
                ['exercise' => 'Front plank', 'sets' => 3, 'hold_s' => 30, 'rest_s' => 30],
                ['exercise' => 'Side plank', 'sets' => 2, 'hold_s' => 20, 'side' => 'each', 'rest_s' => 30],
                ['exercise' => 'Clam', 'sets' => 1, 'reps' => 10, 'side' => 'each'],
            ]],
            ['type' => 'rest', 'rest_s' => 60],
        ]);
        $cuts = array_map(
            static fn ($cut): string => sprintf('%s (%s) %s', $cut->what, $cut->costs, $cut->saves->toClock()),
            $fit->cuts($session),
        );
        self::assertSame([
            'The rest of 1:00 (less time to recover) 1:00',
            'Set 3 of forearm plank (one of 3 sets of anti-extension) 1:00',
        ], array_slice($cuts, 0, 2));
        self::assertStringContainsString('Set 2 of', $cuts[3] ?? '');
        self::assertStringContainsString('all of', $cuts[count($cuts) - 1]);
        $one = Documents::straight([['exercise' => 'Front plank', 'sets' => 1, 'hold_s' => 30]]);
        self::assertSame([], $fit->cuts($one), 'the last exercise is never cut');
        self::assertNull($fit->into($one, Seconds::of(29)));
        self::assertSame($one, $fit->into($one, Seconds::of(30)));
        self::assertNull((new MinutesLeft($one, Documents::data()->library()))->into(Seconds::of(29)));
        self::assertCount(1, (new MinutesLeft($one, Documents::data()->library()))->into(Seconds::of(30))?->entries() ?? []);
    }

    public function test_every_budget_is_kept_and_the_whole_fits_into_itself(): void
    {
        $library = Documents::data()->library();
        $session = Documents::session([
            ['type' => 'straight', 'entries' => [
                ['exercise' => 'Front plank', 'sets' => 3, 'hold_s' => 30, 'rest_s' => 30],
                ['exercise' => 'Bridge', 'sets' => 3, 'reps' => 10, 'rest_s' => 30],
            ]],
            ['type' => 'rest', 'rest_s' => 60],
            ['type' => 'circuit', 'rounds' => 3, 'round_rest_s' => 30, 'entries' => [
                ['exercise' => 'Side plank', 'hold_s' => 20, 'side' => 'each'],
                ['exercise' => 'Dead bug', 'reps' => 8, 'side' => 'alternate'],
            ]],
        ]);
        $whole = Documents::time($session)->time->total()->toNumber();
        for ($s = 40; $s < $whole; $s += 17) {
            $left = (new MinutesLeft($session, $library))->into(Seconds::of($s));
            if ($left === null) {
                self::assertLessThan(60, $s, 'one set of something fits into a minute');

                continue;
            }
            $total = Documents::time($left)->time->total()->toNumber();
            self::assertLessThanOrEqual($s, $total);
            self::assertNotSame([], $left->entries());
        }
        self::assertEquals(
            $whole,
            Documents::time((new MinutesLeft($session, $library))->into(Seconds::of($whole)) ?? $session)->time->total()->toNumber(),
            'all of it where all of it fits',
        );
    }

    public function test_six_sets_of_the_directions_are_hard_five_and_accessories_are_not(): void
    {
        $library = Documents::data()->library();
        $style = Documents::data()->style('even-keel');
        $hard = static fn (int $sets, int $others = 0): bool => HardWork::isHardSession(
            Documents::straight([
                ['exercise' => 'Front plank', 'sets' => $sets, 'hold_s' => 5],
                ...($others === 0 ? [] : [['exercise' => 'Bridge', 'sets' => $others, 'reps' => 3]]),
            ]),
            $library,
            $style,
        );
        self::assertSame(6, $style->hardSets);
        self::assertTrue($hard(6));
        self::assertFalse($hard(5));
        self::assertFalse($hard(5, 6), 'the bridge is none of the four directions');
        $circuit = static fn (int $rounds): bool => HardWork::isHardSession(
            Documents::session([['type' => 'circuit', 'rounds' => $rounds, 'entries' => [
                ['exercise' => 'Front plank', 'hold_s' => 5], ['exercise' => 'Side plank', 'hold_s' => 5, 'side' => 'each'],
            ]]]),
            $library,
            $style,
        );
        self::assertTrue($circuit(3));
        self::assertFalse($circuit(2));
        $seconds = (int) $style->hardTension->toNumber();
        $long = static fn (int $s): bool => HardWork::isHardSession(
            Documents::straight([['exercise' => 'Front plank', 'hold_s' => $s]]),
            $library,
            $style,
        );
        self::assertTrue($long($seconds));
        self::assertFalse($long($seconds - 1));
        $sets = RunSheet::of(
            Documents::straight([['exercise' => 'Front plank', 'sets' => 2, 'hold_s' => 20, 'rest_s' => 30]]),
            Documents::time(Documents::straight([['exercise' => 'Front plank', 'sets' => 2, 'hold_s' => 20, 'rest_s' => 30]]))->timeline,
            $library,
        );
        self::assertCount(2, $sets, 'a rest is no set');
        self::assertSame([false, false], array_map(static fn (FloorSet $set): bool => $set->timed, $sets));
    }
}
