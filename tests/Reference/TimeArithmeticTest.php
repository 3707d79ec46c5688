<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Times whose answer is known from outside: published interval protocols and worked examples added up by hand.
 */
final class TimeArithmeticTest extends TestCase
{
    /** @return array<string, array{array<string, mixed>, int}> */
    public static function tempos(): array
    {
        return [
            'calc: 3+1+3+1' => [['reps' => 1, 'tempo' => '3-1-3-1'], 8],
            'calc: 5 s x 10 x 3' => [['reps' => 10, 'sets' => 3, 'tempo' => '4-0-1-0'], 150],
            'calc: 7 s x 8 x 3' => [['reps' => 8, 'sets' => 3, 'tempo' => '3-2-1-1'], 168],
            'calc: 9 s x 6 x 3' => [['reps' => 6, 'sets' => 3, 'tempo' => '5-1-2-1'], 162],
            'X counts one second' => [['reps' => 5, 'tempo' => '2-0-X-0'], 15],
            'a hold in every rep adds to the rep' => [['reps' => 8, 'tempo' => '1-0-1-0', 'hold_s' => 10], 96],
        ];
    }

    /** @param  array<string, mixed>  $dose */
    #[DataProvider('tempos')]
    public function test_a_tempo_gives_the_seconds_of_its_reps(array $dose, int $seconds): void
    {
        self::assertSame($seconds, Documents::seconds([['exercise' => 'Dead bug', ...$dose]]));
    }

    /**
     * Klika B, Jordan C (2013) ACSM's Health Fit J 17(3):8–13: twelve stations of 30 s with 10 s between (value from memory, sum by
     * calculation).
     */
    public function test_twelve_stations_of_thirty_and_ten_take_470_seconds(): void
    {
        $entries = array_map(static fn (int $i): array => ['exercise' => 'Station '.$i, 'work_s' => 30, 'rest_s' => 10], range(1, 12));

        self::assertSame(
            470,
            Documents::time(Documents::session([['type' => 'circuit', 'rounds' => 1, 'entries' => $entries]]))->time->total()->toNumber(),
        );
    }

    /**
     * Tabata I et al. (1996) Med Sci Sports Exerc 28(10):1327–1330: eight bouts of 20 s with 10 s rest (value from memory, sum by
     * calculation).
     */
    public function test_eight_bouts_of_twenty_and_ten_take_230_seconds(): void
    {
        $session = Documents::session(
            [['type' => 'circuit', 'rounds' => 8, 'entries' => [['exercise' => 'Bike', 'work_s' => 20, 'rest_s' => 10]]]],
        );

        self::assertSame(230, Documents::time($session)->time->total()->toNumber());
    }

    /** Calculation: 15 × 40 s work, 14 × 20 s rest, 2 × 60 s between rounds. */
    public function test_three_rounds_of_five_with_a_minute_between_take_1000_seconds(): void
    {
        $entries = array_map(static fn (int $i): array => ['exercise' => 'Station '.$i, 'work_s' => 40, 'rest_s' => 20], range(1, 5));
        $time = Documents::time(
            Documents::session([['type' => 'circuit', 'rounds' => 3, 'round_rest_s' => 60, 'entries' => $entries]]),
        )->time;

        self::assertSame([600_000, 400_000, 1000], [$time->workMs, $time->restMs, $time->total()->toNumber()]);
    }

    /** Calculation from the worked example of the file format: 5 stations 50 on / 25 off, 3 rounds, 120 s and 90 s around. */
    public function test_the_worked_circuit_takes_21_50(): void
    {
        $entries = array_map(static fn (int $i): array => ['exercise' => 'Station '.$i, 'work_s' => 50, 'rest_s' => 25], range(1, 5));
        $session = Documents::session(
            [['type' => 'circuit', 'rounds' => 3, 'entries' => $entries]],
            ['warm_up_s' => 120, 'cool_down_s' => 90],
        );

        self::assertSame('21:50', Documents::time($session)->time->total()->toClock());
    }

    /** Calculation from the worked example: 45, 45, rest 20, 40, 40, rest 20, 50. */
    public function test_the_worked_items_with_rest_blocks_take_260_seconds(): void
    {
        $work = static fn (int ...$seconds): array => [
            'type' => 'straight',
            'entries' => array_map(static fn (int $s): array => ['exercise' => 'Item', 'work_s' => $s], $seconds),
        ];
        $rest = ['type' => 'rest', 'rest_s' => 20];

        self::assertSame(
            260,
            Documents::time(Documents::session([$work(45, 45), $rest, $work(40, 40), $rest, $work(50)]))->time->total()->toNumber(),
        );
    }

    /** Calculation from the worked example: the handout that says five minutes. */
    public function test_the_five_minute_handout_takes_11_52(): void
    {
        $session = Documents::straight([
            ['exercise' => 'Dead bug', 'reps' => 10, 'side' => 'alternate'],
            ['exercise' => 'Knee plank', 'sets' => 3, 'hold_s' => 20],
            ['exercise' => 'Side plank', 'sets' => 2, 'hold_s' => 15, 'side' => 'each'],
            ['exercise' => 'Bird dog', 'sets' => 2, 'reps' => 8, 'side' => 'alternate'],
            ['exercise' => 'Bridge', 'sets' => 2, 'reps' => 8, 'hold_s' => 10],
            ['exercise' => 'Press-out', 'sets' => 2, 'reps' => 10, 'side' => 'each'],
        ], ['claimed_s' => 300]);

        self::assertSame('11:52', Documents::time($session)->time->total()->toClock());
    }

    /** McGill SM (2010) Strength Cond J 32(3):33–46: ten-second holds in falling sets (method from memory; exact figures vary). */
    public function test_descending_ten_second_holds_add_up_per_side(): void
    {
        foreach ([[[5, 3, 1], 90], [[6, 4, 2], 120], [[8, 6, 4], 180]] as [$repeats, $seconds]) {
            $entries = array_map(
                static fn (int $count): array => [
                    'exercise' => 'Bird dog',
                    'intervals' => ['count' => $count, 'hold_s' => 10, 'rest_s' => 0],
                    'side' => 'each',
                ],
                $repeats,
            );
            $time = Documents::time(Documents::straight($entries))->time;

            self::assertSame(2 * $seconds, $time->total()->toNumber());
        }
    }
}
