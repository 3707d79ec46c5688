<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Verdict\Verdict;

/**
 * What earns a step and what does not, at the borders of each rule.
 */
trait StepCases
{
    /**
     * Sessions, what else the history says, and by hand: the verdict, the rule, rung, step and range.
     *
     * @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string, string, ?string, int, int|float|null}>
     */
    public static function stepCases(): iterable
    {
        yield 'two clean sessions earn a step' => [self::two(), [], 'step-up', 'earned', 'heel-taps', 1, null];
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
        yield 'a fault does not count' => [self::two(['faults' => ['back-arches']]), [], 'stay', 'stay', 'heel-taps', 0, null];
        yield 'a fault cured by a cue is done but not clean' => [
            self::two(['cued' => ['back-arches']]),
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'effort 6 counts' => [self::two(['effort' => 6]), [], 'step-up', 'earned', 'heel-taps', 1, null];
        yield 'effort 7 does not' => [self::two(['effort' => 7]), [], 'stay', 'stay', 'heel-taps', 0, null];
        yield 'pain 2, no more than before, counts' => [self::both(['pain' => 2]), [], 'step-up', 'earned', 'heel-taps', 1, null];
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
            yield $missing.' that was not recorded is not good' => [
                self::two([$missing => null]),
                [],
                'stay',
                'stay',
                'heel-taps',
                0,
                null,
            ];
        }
        yield 'one repetition short' => [self::two(['reps' => 7]), [], 'stay', 'stay', 'heel-taps', 0, null];
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
            self::two(),
            ['arrived' => '2027-01-05'],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'from the last step a rung' => [
            self::both(['target_reps' => 12, 'reps' => 12]),
            ['step' => 2],
            'progress',
            'earned',
            'dead-bug-opposite',
            0,
            null,
        ];
        yield 'clean at an earlier step is no news' => [self::two(), ['step' => 2], 'stay', 'stay', 'heel-taps', 2, null];
        yield 'the step is read from the targets' => [
            self::both(['target_reps' => 10, 'reps' => 10]),
            ['step' => null],
            'step-up',
            'earned',
            'heel-taps',
            2,
            null,
        ];
        // range: what is done at less than it should goes nowhere, and what is done at less as planned earns its range first
        yield 'a quarter of the range earns nothing' => [self::both(['range' => 0.25]), [], 'stay', 'stay', 'heel-taps', 0, null];
        yield 'planned at half, and done so, at a step in full range' => [
            self::both(['target_range' => 0.5, 'range' => 0.5]),
            [],
            'stay',
            'stay',
            'heel-taps',
            0,
            null,
        ];
        yield 'clean at half range gives a quarter back' => [
            self::both(['target_range' => 0.5, 'range' => 0.5]),
            ['range' => 0.5],
            'step-up',
            'earned',
            'heel-taps',
            0,
            0.75,
        ];
        yield 'clean at three quarters gives it all back, same dose' => [
            self::both(['target_range' => 0.75, 'range' => 0.75]),
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
                ...self::two(),
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
    }
}
