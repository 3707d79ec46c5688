<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\SegmentKind;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class TimelineTest extends TestCase
{
    use TestTrait;

    /**
     * @param  list<Segment>  $segments
     * @return list<string>
     */
    private static function shape(array $segments): array
    {
        return array_map(
            static fn (Segment $s): string => trim(sprintf('%s %s %s', $s->kind->value, $s->ms() / 1000, $s->side)),
            $segments,
        );
    }

    public function test_each_side_turns_over_once_a_set_and_alternating_never(): void
    {
        $change = ['change' => ['side_s' => 5, 'station_s' => 10]];
        $each = Documents::straight([['exercise' => 'Side plank', 'sets' => 2, 'hold_s' => 15, 'side' => 'each', 'rest_s' => 20]], $change);
        $alternate = Documents::straight(
            [['exercise' => 'Dead bug', 'sets' => 2, 'reps' => 5, 'side' => 'alternate', 'rest_s' => 20]],
            $change,
        );

        self::assertSame(
            ['work 15 left', 'side 5', 'work 15 right', 'rest 20', 'work 15 left', 'side 5', 'work 15 right'],
            self::shape(Documents::time($each)->timeline),
        );
        self::assertSame(['work 40 alternate', 'rest 20', 'work 40 alternate'], self::shape(Documents::time($alternate)->timeline));
    }

    public function test_breaks_of_short_holds_count_on_both_sides_and_as_rest(): void
    {
        $time = Documents::time(
            Documents::straight(
                [['exercise' => 'Side plank', 'intervals' => ['count' => 4, 'hold_s' => 10, 'rest_s' => 5], 'side' => 'each']],
            ),
        );

        self::assertSame([80_000, 30_000], [$time->time->workMs, $time->time->restMs]);
        self::assertSame(
            [1, 2, 3, 4],
            array_values(array_filter(array_map(static fn (Segment $s): ?int => $s->side === 'left' ? $s->repeat : null, $time->timeline))),
        );
    }

    public function test_work_time_covers_both_sides_and_only_the_change_comes_on_top(): void
    {
        $time = Documents::time(Documents::session(
            [['type' => 'circuit', 'rounds' => 2, 'entries' => [['exercise' => 'Side plank', 'work_s' => 41, 'side' => 'each']]]],
            ['change' => ['side_s' => 5, 'station_s' => 10]],
        ));

        self::assertSame([82_000, 10_000, 0], [$time->time->workMs, $time->time->changeMs, $time->time->restMs]);
    }

    public function test_a_station_change_stands_between_different_exercises_by_rung_not_by_spelling(): void
    {
        $seconds = static fn (string $a, string $b): int => Documents::time(Documents::session(
            [
                ['type' => 'straight', 'entries' => [['exercise' => $a, 'work_s' => 10]]],
                ['type' => 'rest', 'rest_s' => 5],
                ['type' => 'straight', 'entries' => [['exercise' => $b, 'work_s' => 10]]],
            ],
            ['change' => ['station_s' => 10]],
        ))->time->changeMs;

        self::assertSame(0, $seconds('Side Planks', 'side-plank'));
        self::assertSame(0, $seconds('Something own', 'something  OWN'));
        self::assertSame(10_000, $seconds('Side plank', 'Dead bug'));
    }

    public function test_rest_follows_every_set_but_the_last_of_the_block_and_after_the_last_block_nothing(): void
    {
        $block = [
            'type' => 'straight',
            'rest_after_s' => 60,
            'entries' => [
                ['exercise' => 'A', 'sets' => 2, 'work_s' => 10, 'rest_s' => 20],
                ['exercise' => 'B', 'work_s' => 10, 'rest_s' => 30],
            ],
        ];

        self::assertSame(40_000, Documents::time(Documents::session([$block]))->time->restMs);
        self::assertSame(40_000 + 60_000 + 40_000, Documents::time(Documents::session([$block, $block]))->time->restMs);
    }

    public function test_a_distance_is_metres_over_pace_in_whole_milliseconds(): void
    {
        self::assertSame(25, Documents::seconds([['exercise' => 'Carry', 'distance_m' => 20]]));
        self::assertSame(21.429, Documents::seconds([['exercise' => 'Carry', 'distance_m' => 15, 'pace_m_s' => 0.7]]));
    }

    public function test_a_session_longer_than_a_day_is_refused(): void
    {
        $this->expectException(InvalidValue::class);
        Documents::seconds([['exercise' => 'A', 'sets' => 50, 'hold_s' => 3600]]);
    }

    public function test_segments_touch_and_every_sum_agrees_whatever_the_session(): void
    {
        $dose = Generators::elements(
            ['reps' => 7, 'tempo' => '3-1-X-0', 'side' => 'alternate'], ['hold_s' => 12.5, 'side' => 'each'], ['hold_s' => 30],
            [
                'intervals' => ['count' => 3, 'hold_s' => 7, 'rest_s' => 3],
                'side' => 'each',
            ], ['work_s' => 33, 'side' => 'each'], ['distance_m' => 13, 'side' => 'each'],
        );
        $entry = Generators::map(
            static fn (array $parts): array => ['exercise' => $parts[1], ...$parts[0], 'rest_s' => $parts[2]],
            Generators::tuple($dose, Generators::elements('Dead bug', 'side plank', 'Own idea'), Generators::choose(0, 40)),
        );
        $this->limitTo(150)->forAll(
            Generators::bind(Generators::choose(1, 4), static fn (int $n) => Generators::vector($n, $entry)),
            Generators::choose(1, 4),
            Generators::choose(0, 90),
            Generators::choose(0, 15),
        )->then(function (array $entries, int $rounds, int $rest, int $change): void {
            $session = Documents::session([
                ['type' => 'circuit', 'rounds' => $rounds, 'round_rest_s' => $rest, 'rest_after_s' => $rest, 'entries' => $entries],
                ['type' => 'rest', 'rest_s' => $rest],
                ['type' => 'straight', 'entries' => array_map(static fn (array $e): array => [...$e, 'sets' => $rounds], $entries)],
            ], ['warm_up_s' => $rest, 'cool_down_s' => $change, 'change' => ['side_s' => $change, 'station_s' => $change]]);
            $time = Documents::time($session);
            $now = 0;
            foreach ($time->timeline as $segment) {
                self::assertSame($now, $segment->startMs);
                self::assertGreaterThan($segment->startMs, $segment->endMs);
                $now = $segment->endMs;
            }
            $total = $time->time->total()->ms;
            self::assertSame($total, $now);
            $blocks = array_sum(array_map(static fn ($block): int => $block->total()->ms, $time->blocks));
            self::assertSame($total - 1000 * ($rest + $change), $blocks);
            self::assertSame($time->time->workMs, array_sum($time->tensionMs));
            $stations = count(array_filter($time->timeline, static fn (Segment $s): bool => $s->kind === SegmentKind::Station));
            self::assertLessThanOrEqual(2 * $rounds * count($entries), $stations);
        });
    }
}
