<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Core\Verdict\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * The verdict rules of the open formats, one after the other. The pain zones follow Thomeé R (1997) Phys Ther 77(12):1690–1703 and
 * Silbernagel KG et al. (2007) Am J Sports Med 35(6):897–906 (values from memory): 2 is safe, 5 is the most that is acceptable.
 */
final class VerdictTest extends TestCase
{
    private const CLEAN = ['target_reps' => 8, 'reps' => 8, 'faults' => [], 'pain' => 0, 'effort' => 5, 'breathing' => true];

    /**
     * @param  array<string, mixed>  $set  for both sides
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function session(string $date, array $set = [], array $more = []): array
    {
        return [
            'date' => $date,
            'sets' => [['side' => 'left', ...self::CLEAN, ...$set], ['side' => 'right', ...self::CLEAN, ...$set]],
            ...$more,
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $sessions
     * @param  array<string, mixed>  $more
     */
    private static function verdict(array $sessions, array $more = [], string $style = 'even-keel'): Verdict
    {
        $history = Documents::history(
            array_filter(
                ['ladder' => 'dead-bug', 'rung' => 'heel-taps', 'step' => 0, 'sessions' => $sessions, ...$more],
                static fn (mixed $value): bool => $value !== null,
            ),
            $style,
        );

        return (new Judge(Documents::data()->library(), Documents::data()->style($style)))->decide($history);
    }

    /**
     * Sessions, what else the history says, and by hand: the verdict, the rule, rung, step and range.
     *
     * @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string, string, ?string, int, int|float|null}>
     */
    public static function cases(): iterable
    {
        $two = static fn (array $set = [], array $more = []): array => [
            self::session('2027-01-04'),
            self::session('2027-01-06', $set, $more),
        ];
        $both = static fn (array $set, array $more = []): array => [
            self::session('2027-01-04', $set, $more),
            self::session('2027-01-06', $set, $more),
        ];
        yield 'two clean sessions earn a step' => [$two(), [], 'step-up', 'earned', 'heel-taps', 1, null];
        yield 'one does not' => [[self::session('2027-01-06')], [], 'stay', 'stay', 'heel-taps', 0, null];
        yield 'two on one day are one' => [
            [self::session('2027-01-06'), self::session('2027-01-06')],
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'a fault does not count' => [$two(['faults' => ['back-arches']]), [], 'stay', 'stay', 'heel-taps', 0, null];
        yield 'a fault cured by a cue is done but not clean' => [
            $two(['cued' => ['back-arches']]),
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'effort 6 counts' => [$two(['effort' => 6]), [], 'step-up', 'earned', 'heel-taps', 1, null];
        yield 'effort 7 does not' => [$two(['effort' => 7]), [], 'stay', 'stay', 'heel-taps', 0, null];
        yield 'pain 2, no more than before, counts' => [$both(['pain' => 2]), [], 'step-up', 'earned', 'heel-taps', 1, null];
        yield 'pain that rises does not' => [
            [self::session('2027-01-04', ['pain' => 1]), self::session('2027-01-06', ['pain' => 2])],
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'pain before it that rises does not' => [
            [self::session('2027-01-04'), self::session('2027-01-06', [], ['pain_before' => 1])],
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        foreach (['pain', 'effort', 'breathing', 'faults'] as $missing) {
            yield $missing.' that was not recorded is not good' => [$two([$missing => null]), [], 'stay', 'stay', 'heel-taps', 0, null];
        }
        yield 'one repetition short' => [$two(['reps' => 7]), [], 'stay', 'stay', 'heel-taps', 0, null];
        yield 'only one side' => [
            [self::session('2027-01-04'), ['date' => '2027-01-06', 'sets' => [['side' => 'left', ...self::CLEAN]]]],
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'a gap of two weeks starts the count again' => [
            [self::session('2027-01-04'), self::session('2027-01-18')],
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'thirteen days do not' => [
            [self::session('2027-01-04'), self::session('2027-01-17')],
            [],
            'step-up',
            'earned',
            'heel-taps',
            1,
            null,
        ];
        yield 'before the client came here it counts for nothing' => [
            $two(),
            ['arrived' => '2027-01-05'],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'from the last step a rung' => [
            $both(['target_reps' => 12, 'reps' => 12]),
            ['step' => 2],
            'progress',
            'earned',
            'dead-bug-opposite',
            0,
            null,
        ];
        yield 'clean at an earlier step is no news' => [$two(), ['step' => 2], 'stay', 'stay', 'heel-taps', 2, null];
        yield 'the step is read from the targets' => [
            $both(['target_reps' => 10, 'reps' => 10]),
            ['step' => null],
            'step-up',
            'earned',
            'heel-taps',
            2,
            null,
        ];
        // range: what is done at less than it should goes nowhere, and what is done at less as planned earns its range first
        yield 'a quarter of the range earns nothing' => [$both(['range' => 0.25]), [], 'stay', 'stay', 'heel-taps', 0, null];
        yield 'planned at half, and done so, at a step in full range' => [
            $both(['target_range' => 0.5, 'range' => 0.5]),
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'clean at half range gives a quarter back' => [
            $both(['target_range' => 0.5, 'range' => 0.5]),
            ['range' => 0.5],
            'step-up',
            'earned',
            'heel-taps',
            0,
            0.75,
        ];
        yield 'clean at three quarters gives it all back, same dose' => [
            $both(['target_range' => 0.75, 'range' => 0.75]),
            ['range' => 0.75],
            'step-up',
            'earned',
            'heel-taps',
            0,
            null,
        ];
        // nobody watched
        yield 'unwatched neither counts' => [
            [self::session('2027-01-04'), self::session('2027-01-06', [], ['checked' => false])],
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'nor breaks a run' => [
            [self::session('2027-01-04'), self::session('2027-01-05', ['reps' => 2], ['checked' => false]), self::session('2027-01-06')],
            [],
            'step-up',
            'earned',
            'heel-taps',
            1,
            null,
        ];
        yield 'but its pain counts' => [
            [self::session('2027-01-04'), self::session('2027-01-06', ['pain' => 6], ['checked' => false])],
            [],
            'stop',
            'pain.stop',
            null,
            0,
            null,
        ];
        yield 'a session of which nothing was done or said is none' => [
            [
                ...$two(),
                [
                    'date' => '2027-01-08',
                    'sets' => [['side' => 'left', 'target_reps' => 8, 'reps' => 0], ['side' => 'right', 'target_reps' => 8, 'reps' => 0]],
                ],
            ],
            [],
            'step-up',
            'earned',
            'heel-taps',
            1,
            null,
        ];
        yield 'timed work of a circuit earns by effort, faults and breath' => [
            [self::worked('2027-01-04'), self::worked('2027-01-06')],
            [],
            'step-up',
            'earned',
            'heel-taps',
            1,
            null,
        ];
        yield 'and not with a fault' => [
            [self::worked('2027-01-04'), self::worked('2027-01-06', ['faults' => ['jerks']])],
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        // stop
        yield 'pain 6 stops' => [$two(['pain' => 6]), [], 'stop', 'pain.stop', null, 0, null];
        yield 'pain 6 before it stops' => [$two([], ['pain_before' => 6]), [], 'stop', 'pain.stop', null, 0, null];
        yield 'pain 6 on the next day stops' => [$two([], ['pain_next_day' => 6]), [], 'stop', 'pain.stop', null, 0, null];
        yield 'sharp pain stops however little' => [$two(['pain' => 1, 'pain_kind' => 'sharp']), [], 'stop', 'pain.stop', null, 0, null];
        yield 'numbness said of the session stops without a set' => [
            [self::session('2027-01-04'), ['date' => '2027-01-06', 'pain_kind' => 'numb', 'sets' => []]],
            [],
            'stop',
            'pain.stop',
            null,
            0,
            null,
        ];
        yield 'one clean session later it is still stopped' => [
            [self::session('2027-01-04', ['pain_kind' => 'numb', 'pain' => 1]), self::session('2027-01-06')],
            [],
            'stop',
            'pain.stop',
            null,
            0,
            null,
        ];
        yield 'a clearance of the same day lifts nothing' => [
            [self::session('2027-01-04', ['pain' => 7]), self::session('2027-01-06')],
            ['cleared' => '2027-01-04'],
            'stop',
            'pain.stop',
            null,
            0,
            null,
        ];
        yield 'one of the day after goes on a rung lower, from its start' => [
            [self::session('2027-01-04', ['pain' => 7])],
            ['cleared' => '2027-01-05', 'as_of' => '2027-01-06', 'arrived' => '2026-12-01'],
            'regress',
            'pain.cleared',
            'knees-up-both-arms',
            0,
            null,
        ];
        yield 'two rungs, where the time away asks for two' => [
            [self::session('2027-01-04', ['pain' => 7])],
            ['cleared' => '2027-01-05', 'as_of' => '2027-02-01', 'arrived' => '2026-12-01'],
            'regress',
            'pain.cleared',
            'knees-up-one-arm',
            0,
            null,
        ];
        yield 'who came back lower earns from there' => [
            [self::session('2027-01-04', ['pain' => 7]), self::session('2027-01-08'), self::session('2027-01-10')],
            ['cleared' => '2027-01-05', 'arrived' => '2027-01-06'],
            'step-up',
            'earned',
            'heel-taps',
            1,
            null,
        ];
        // layoff
        yield 'thirteen days away' => [$two(), ['as_of' => '2027-01-19'], 'step-up', 'earned', 'heel-taps', 1, null];
        yield 'fourteen days away' => [$two(), ['as_of' => '2027-01-20'], 'regress', 'layoff', 'knees-up-both-arms', 0, null];
        yield 'twenty-seven days away' => [$two(), ['as_of' => '2027-02-02'], 'regress', 'layoff', 'knees-up-both-arms', 0, null];
        yield 'four weeks away' => [$two(), ['as_of' => '2027-02-03'], 'regress', 'layoff', 'knees-up-one-arm', 0, null];
        yield 'trained on other ladders meanwhile' => [
            $two(),
            ['as_of' => '2027-01-20', 'trained_on' => '2027-01-18'],
            'step-up',
            'earned',
            'heel-taps',
            1,
            null,
        ];
        yield 'alone for four weeks, while others were trained, its dose starts again' => [
            $both(['target_reps' => 10, 'reps' => 10]),
            ['step' => 1, 'as_of' => '2027-02-03', 'trained_on' => '2027-02-02'],
            'regress',
            'layoff',
            'heel-taps',
            0,
            null,
        ];
        yield 'who came since has no layoff here' => [
            $two(),
            ['as_of' => '2027-01-25', 'arrived' => '2027-01-20'],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'on the bottom rung the dose starts again' => [
            [self::bottom(10)],
            ['rung' => 'dead-bug-breathing', 'step' => 2, 'as_of' => '2027-01-20'],
            'regress',
            'layoff',
            'dead-bug-breathing',
            0,
            null,
        ];
        yield 'and at its start it stays' => [
            [self::bottom(5)],
            ['rung' => 'dead-bug-breathing', 'step' => 0, 'as_of' => '2027-02-20'],
            'stay',
            'layoff',
            'dead-bug-breathing',
            0,
            null,
        ];
        // caution
        yield 'pain 3 takes range before dose' => [$two(['pain' => 3]), ['step' => 1], 'step-down', 'pain.caution', 'heel-taps', 1, 0.75];
        yield 'pain 5 is no stop' => [$two(['pain' => 5]), [], 'step-down', 'pain.caution', 'heel-taps', 0, 0.75];
        yield 'pain 3 before it is a caution too' => [
            $two([], ['pain_before' => 3]),
            [],
            'step-down',
            'pain.caution',
            'heel-taps',
            0,
            0.75,
        ];
        yield 'pain 3 twice running goes a rung down, to its start' => [
            $both(['pain' => 3]),
            ['step' => 2],
            'regress',
            'pain.caution',
            'knees-up-both-arms',
            0,
            null,
        ];
        yield 'pain 7, cleared, then 4' => [
            [self::session('2027-01-04', ['pain' => 7]), self::session('2027-01-08', ['pain' => 4])],
            ['cleared' => '2027-01-05', 'arrived' => '2027-01-06'],
            'regress',
            'pain.caution',
            'knees-up-both-arms',
            0,
            null,
        ];
        // faults
        $short = ['reps' => 6, 'faults' => ['back-arches'], 'ended_by' => 'back-arches'];
        yield 'the same fault ends two sessions: range first' => [
            $both($short),
            ['step' => 1],
            'step-down',
            'fault.repeat',
            'heel-taps',
            1,
            0.75,
        ];
        yield 'then half the range' => [
            $both([...$short, 'target_range' => 0.75]),
            ['range' => 0.75],
            'step-down',
            'fault.repeat',
            'heel-taps',
            0,
            0.5,
        ];
        yield 'at the least range the dose' => [
            $both([...$short, 'target_range' => 0.5]),
            ['step' => 1, 'range' => 0.5],
            'step-down',
            'fault.repeat',
            'heel-taps',
            0,
            0.5,
        ];
        yield 'at the start in the least range the rung, on its last dose' => [
            $both([...$short, 'target_range' => 0.5]),
            ['range' => 0.5],
            'regress',
            'fault.repeat',
            'knees-up-both-arms',
            2,
            null,
        ];
        yield 'another fault each time stays' => [
            [self::session('2027-01-04', $short), self::session('2027-01-06', ['reps' => 8, 'faults' => ['ribs-flare']])],
            ['step' => 1],
            'stay',
            'stay',
            'heel-taps',
            1,
            null,
        ];
        yield 'under the start dose twice, whatever the fault' => [
            $both(['reps' => 7]),
            [],
            'step-down',
            'fault.repeat',
            'heel-taps',
            0,
            0.75,
        ];
        yield 'the same fault three times, targets reached' => [
            [
                self::session('2027-01-02', ['faults' => ['ribs-flare']]),
                self::session('2027-01-04', ['faults' => ['ribs-flare']]),
                self::session('2027-01-06', ['faults' => ['ribs-flare']]),
            ],
            [],
            'step-down',
            'fault.repeat',
            'heel-taps',
            0,
            0.75,
        ];
        yield 'twice is not three times' => [$both(['faults' => ['ribs-flare']]), [], 'stay', 'stay', 'heel-taps', 0, null];
        // soreness
        yield 'a trunk sore at 4 stays' => [$two([], ['soreness' => 4]), [], 'stay', 'soreness', 'heel-taps', 0, null];
        yield 'sore at 3 counts' => [$two([], ['soreness' => 3]), [], 'step-up', 'earned', 'heel-taps', 1, null];
        yield 'nothing logged' => [[], [], 'stay', 'stay', 'heel-taps', 0, null];
    }

    /**
     * @param  array<string, mixed>  $set
     * @return array<string, mixed> a minute of work in a circuit
     */
    private static function worked(string $date, array $set = []): array
    {
        $one = static fn (string $side): array => [
            'side' => $side,
            'target_work_s' => 30,
            'work_s' => 30,
            'reps' => 4,
            'faults' => [],
            'pain' => 0,
            'effort' => 5,
            'breathing' => true,
            ...$set,
        ];

        return ['date' => $date, 'sets' => [$one('left'), $one('right')]];
    }

    /** @return array<string, mixed> */
    private static function bottom(int $breaths): array
    {
        return self::session('2027-01-04', ['side' => 'both', 'target_reps' => $breaths, 'reps' => $breaths]);
    }

    /**
     * @param  list<array<string, mixed>>  $sessions
     * @param  array<string, mixed>  $more
     */
    #[DataProvider('cases')]
    public function test_the_first_rule_that_fits_decides(
        array $sessions,
        array $more,
        string $decision,
        string $rule,
        ?string $to,
        int $step,
        int|float|null $range,
    ): void {
        $verdict = self::verdict($sessions, $more);

        self::assertEquals(
            [$decision, $rule, $to, $step, $range],
            [$verdict->decision->value, $verdict->rule, $verdict->to?->rung->id, $verdict->to->step ?? 0, $verdict->to?->range?->share],
            implode(' ', $verdict->reasons),
        );
        self::assertNotSame([], $verdict->reasons);
    }

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

    public function test_what_stops_everything_names_no_swap_and_the_rest_one_of_another_ladder(): void
    {
        foreach (['spreading' => 'all', 'numb' => 'all', 'giving-way' => 'all', 'sharp' => 'ladder'] as $kind => $scope) {
            $verdict = self::verdict([self::session('2027-01-06', ['pain' => 1, 'pain_kind' => $kind])]);
            self::assertSame(
                [true, null, $scope, $scope === 'all'],
                [$verdict->refer, $verdict->dose, $verdict->scope, $verdict->swap === null],
                $kind,
            );
            self::assertNotSame('dead-bug', $verdict->swap?->ladder);
        }
    }

    public function test_pain_of_three_in_two_sessions_running_refers_whichever_rule_fires(): void
    {
        $refers = static fn (int $first, int $then, array $more = []): bool => self::verdict(
            [self::session('2027-01-04', ['pain' => $first]), self::session('2027-01-08', ['pain' => $then])],
            $more,
        )->refer;

        self::assertTrue($refers(4, 4));
        self::assertTrue($refers(7, 4, ['cleared' => '2027-01-05', 'arrived' => '2027-01-06']), 'after a stop that was lifted too');
        self::assertTrue($refers(3, 3, ['as_of' => '2027-02-20']), 'a layoff decides, and it refers');
        self::assertFalse($refers(2, 4));
        self::assertFalse($refers(4, 2));
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

    public function test_nothing_barred_is_named_and_the_next_allowed_rung_may_stand_further_off(): void
    {
        $client = Documents::client(['limits' => ['floor-transfer'], 'equipment' => ['band'], 'ability' => ['AR' => 5]]);
        $history = Documents::history(
            [
                'ladder' => 'press-out',
                'rung' => 'press-out-seated',
                'step' => 2,
                'sessions' => array_map(
                    static fn (string $day): array => self::session($day, ['target_reps' => 12, 'reps' => 12]),
                    ['2027-01-04', '2027-01-06'],
                ),
            ],
            client: $client,
        );
        $verdict = (new Judge(Documents::data()->library(), Documents::data()->style('even-keel'), $client))->decide($history);

        self::assertSame('press-out-tall-kneeling', $verdict->to?->rung->id, 'kneeling up from the floor is grade 1 here');
        $sore = Documents::client(['limits' => ['kneeling'], 'equipment' => ['band'], 'ability' => ['AR' => 5]]);
        self::assertSame(
            'press-out-standing',
            (new Judge(Documents::data()->library(), Documents::data()->style('even-keel'), $sore))->decide($history)->to?->rung->id,
        );
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

    public function test_four_weeks_away_ask_for_a_re_test(): void
    {
        self::assertTrue(self::verdict([self::session('2027-01-06')], ['as_of' => '2027-02-03'])->retest);
        self::assertFalse(self::verdict([self::session('2027-01-06')], ['as_of' => '2027-01-20'])->retest);
    }

    public function test_a_time_style_wants_days_on_the_rung_too(): void
    {
        $clean = [self::session('2027-01-04'), self::session('2027-01-06')];

        self::assertSame(Decision::Stay, self::verdict($clean, ['arrived' => '2027-01-03'], 'long-haul')->decision);
        self::assertSame(Decision::StepUp, self::verdict($clean, ['arrived' => '2026-12-30'], 'long-haul')->decision);
        self::assertSame(Decision::Stay, self::verdict($clean, [], 'long-haul')->decision, 'nobody knows when the client came');
    }

    public function test_what_would_have_changed_it_is_said(): void
    {
        $verdict = self::verdict(
            [
                self::session('2027-01-04'),
                ['date' => '2027-01-06', 'sets' => [['side' => 'left', ...self::CLEAN], ['side' => 'right', ...self::CLEAN, 'reps' => 5]]],
            ],
        );

        self::assertContains('Right side 3 repetitions more.', $verdict->wouldChange);
        self::assertStringContainsString('2 more clean sessions', implode(' ', $verdict->wouldChange));
    }
}
