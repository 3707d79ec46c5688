<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Judge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Verdicts of holds, ranges and styles of time.
 */
final class HoldVerdictsTest extends TestCase
{
    /**
     * @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string, int, int|float|null, ?int}> decision,
     *         step, cm, repetitions
     */
    public static function rollouts(): iterable
    {
        $rolled = static fn (int $reps, ?int $cm, array $more = []): array => array_map(
            static fn (string $day): array => [
                'date' => $day,
                'sets' => [
                    [
                        'target_reps' => $reps,
                        'reps' => $reps,
                        ...($cm === null ? [] : ['target_range_cm' => $cm, 'range_cm' => $cm]),
                        'faults' => [],
                        'pain' => 0,
                        'effort' => 5,
                        'breathing' => true,
                        ...$more,
                    ],
                ],
            ],
            ['2027-01-04', '2027-01-06'],
        );
        // the short wheel: 4 at 15, 30 and 45 cm, then 7 and 10 at 45 cm
        yield 'a quarter of it, clean, earns no rung' => [$rolled(10, null, ['range_cm' => 11]), ['step' => 4], 'stay', 4, null, 10];
        yield 'the range grows before the dose' => [$rolled(4, 15), ['step' => 0], 'step-up', 1, null, 4];
        yield 'at the full range the dose grows' => [$rolled(4, 45), ['step' => 2], 'step-up', 3, null, 7];
        yield 'the step is read from range and dose' => [$rolled(4, 30), [], 'step-up', 2, null, 4];
        $fault = ['reps' => 2, 'faults' => ['hips-sag'], 'ended_by' => 'hips-sag'];
        yield 'a fault takes fifteen centimetres, same dose' => [$rolled(7, 45, $fault), ['step' => 3], 'step-down', 3, 30, 7];
        yield 'which is a lower step where there is one' => [$rolled(4, 45, $fault), ['step' => 2], 'step-down', 1, null, 4];
        yield 'given back before the dose grows' => [$rolled(7, 30), ['step' => 3, 'range_cm' => 30], 'step-up', 3, null, 7];
    }

    /**
     * @param  list<array<string, mixed>>  $sessions
     * @param  array<string, mixed>  $more
     */
    #[DataProvider('rollouts')]
    public function test_range_in_centimetres_goes_before_dose(
        array $sessions,
        array $more,
        string $decision,
        int $step,
        int|float|null $cm,
        ?int $reps,
    ): void {
        $history = Documents::history(['ladder' => 'rollout', 'rung' => 'rollout-wheel-short', 'sessions' => $sessions, ...$more]);
        $verdict = (new Judge(Documents::data()->library(), Documents::data()->style('even-keel')))->decide($history);

        self::assertEquals(
            [$decision, $step, $cm, $reps],
            [$verdict->decision->value, $verdict->to?->step, $verdict->to?->range?->cm, $verdict->dose?->measure->amount()],
            implode(' ', $verdict->reasons),
        );
    }

    public function test_an_open_hold_ends_by_its_fault_and_that_is_its_score(): void
    {
        $held = static fn (int $seconds): array => array_map(
            static fn (string $day): array => [
                'date' => $day,
                'sets' => [
                    [
                        'target_hold_s' => 10,
                        'hold_s' => $seconds,
                        'open' => true,
                        'faults' => ['hips-sag'],
                        'ended_by' => 'hips-sag',
                        'pain' => 0,
                        'effort' => 5,
                        'breathing' => true,
                    ],
                ],
            ],
            ['2027-01-04', '2027-01-06'],
        );
        $decide = static fn (array $sessions): string => (
            new Judge(Documents::data()->library(), Documents::data()->style('even-keel'))
        )->decide(
            Documents::history(['ladder' => 'plank', 'rung' => 'forearm-plank', 'step' => 0, 'sessions' => $sessions]),
        )->decision->value;

        self::assertSame('step-up', $decide($held(34)));
        self::assertSame('regress', $decide($held(9)), 'a plank has no range to give, and this is its start');
    }

    public function test_repetitions_with_a_hold_count_both(): void
    {
        $bridges = static fn (int $held): array => array_map(
            static fn (string $day): array => [
                'date' => $day,
                'sets' => [
                    [
                        'target_reps' => 10,
                        'reps' => 10,
                        'target_hold_s' => 10,
                        'hold_s' => $held,
                        'faults' => [],
                        'pain' => 0,
                        'effort' => 5,
                        'breathing' => true,
                    ],
                ],
            ],
            ['2027-01-04', '2027-01-06'],
        );
        $decide = static fn (array $sessions, int $step): string => (
            new Judge(Documents::data()->library(), Documents::data()->style('even-keel'))
        )->decide(
            Documents::history(['ladder' => 'bridge', 'rung' => 'bridge-hold', 'step' => $step, 'sessions' => $sessions]),
        )->decision->value;

        self::assertSame('step-up', $decide($bridges(10), 2));
        self::assertSame('stay', $decide($bridges(9), 2), 'each one a second short');
        self::assertSame('stay', $decide($bridges(10), 3), 'this step holds 15 s');
    }

    public function test_by_the_second_one_clean_time_earns_ten_more_and_is_offered_only_to_whom_it_suits(): void
    {
        $style = Documents::styleWith('progress', 'by-the-second', 'long-haul');
        $held = [
            'ladder' => 'plank',
            'rung' => 'forearm-plank',
            'step' => 4,
            'arrived' => '2027-01-01',
            'sessions' => [
                [
                    'date' => '2027-01-06',
                    'sets' => [
                        [
                            'target_hold_s' => 30,
                            'hold_s' => 41,
                            'open' => true,
                            'faults' => ['hips-sag'],
                            'ended_by' => 'hips-sag',
                            'pain' => 0,
                            'effort' => 6,
                            'breathing' => true,
                        ],
                    ],
                ],
            ],
        ];
        $decide = static function (array $client) use ($style, $held): array {
            $person = Documents::client(['equipment' => ['mat'], 'screen' => ['flags' => [], 'cleared' => true], ...$client]);
            $verdict = (new Judge(Documents::data()->library(), $style, $person))->decide(Documents::history($held, $style, $person));

            return [$verdict->decision->value, $verdict->dose?->measure->longestHold()->toNumber()];
        };

        self::assertSame(['step-up', 40], $decide([]));
        foreach ([['goal' => 'rehab'], ['born' => 2012], ['born' => 1955]] as $other) {
            self::assertSame('stay', $decide($other)[0], json_encode($other) ?: '');
        }
    }

    public function test_thirty_then_move_goes_to_the_next_rung_that_moves(): void
    {
        $style = Documents::styleWith('long-holds', 'thirty-then-move');
        $client = Documents::client(['ability' => ['AE' => 6]]);
        $history = Documents::history(
            [
                'ladder' => 'plank',
                'rung' => 'forearm-plank',
                'step' => 2,
                'sessions' => array_map(
                    static fn (string $day): array => [
                        'date' => $day,
                        'sets' => [
                            ['target_hold_s' => 30, 'hold_s' => 30, 'faults' => [], 'pain' => 0, 'effort' => 5, 'breathing' => true],
                        ],
                    ],
                    ['2027-01-04', '2027-01-06'],
                ),
            ],
            $style,
            $client,
        );
        $verdict = (new Judge(Documents::data()->library(), $style, $client))->decide($history);

        self::assertSame(
            [10, 20, 30],
            array_map(
                static fn ($dose): int|float => $dose->measure->work()->toNumber(),
                Documents::steps($client, $style)->of(Documents::data()->library()->rung('forearm-plank')),
            ),
            'no hold past thirty',
        );
        self::assertSame(
            ['progress', 'plank-foot-lift'],
            [$verdict->decision->value, $verdict->to?->rung->id],
            'over the hands plank, which holds',
        );
    }
}
