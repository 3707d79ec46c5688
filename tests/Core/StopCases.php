<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Verdict\Verdict;

/**
 * What stops, holds or takes down: pain, layoff, faults, soreness.
 */
trait StopCases
{
    /**
     * Sessions, what else the history says, and by hand: the verdict, the rule, rung, step and range.
     *
     * @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string, string, ?string, int, int|float|null}>
     */
    public static function stopCases(): iterable
    {
        // stop
        yield 'pain 6 stops' => [self::two(['pain' => 6]), [], 'stop', 'pain.stop', null, 0, null];
        yield 'pain 6 before it stops' => [self::two([], ['pain_before' => 6]), [], 'stop', 'pain.stop', null, 0, null];
        yield 'pain 6 on the next day stops' => [self::two([], ['pain_next_day' => 6]), [], 'stop', 'pain.stop', null, 0, null];
        yield 'sharp pain stops however little' => [
            self::two(['pain' => 1, 'pain_kind' => 'sharp']),
            [],
            'stop',
            'pain.stop',
            null,
            0,
            null,
        ];
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
        yield 'thirteen days away' => [self::two(), ['as_of' => '2027-01-19'], 'step-up', 'earned', 'heel-taps', 1, null];
        yield 'fourteen days away' => [self::two(), ['as_of' => '2027-01-20'], 'regress', 'layoff', 'knees-up-both-arms', 0, null];
        yield 'twenty-seven days away' => [self::two(), ['as_of' => '2027-02-02'], 'regress', 'layoff', 'knees-up-both-arms', 0, null];
        yield 'four weeks away' => [self::two(), ['as_of' => '2027-02-03'], 'regress', 'layoff', 'knees-up-one-arm', 0, null];
        yield 'trained on other ladders meanwhile' => [
            self::two(),
            ['as_of' => '2027-01-20', 'trained_on' => '2027-01-18'],
            'step-up',
            'earned',
            'heel-taps',
            1,
            null,
        ];
        yield 'alone for four weeks, while others were trained, its dose starts again' => [
            self::both(['target_reps' => 10, 'reps' => 10]),
            ['step' => 1, 'as_of' => '2027-02-03', 'trained_on' => '2027-02-02'],
            'regress',
            'layoff',
            'heel-taps',
            0,
            null,
        ];
        yield 'who came since has no layoff here' => [
            self::two(),
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
        yield 'pain 3 takes range before dose' => [
            self::two(['pain' => 3]),
            ['step' => 1],
            'step-down',
            'pain.caution',
            'heel-taps',
            1,
            0.75,
        ];
        yield 'pain 5 is no stop' => [self::two(['pain' => 5]), [], 'step-down', 'pain.caution', 'heel-taps', 0, 0.75];
        yield 'pain 3 before it is a caution too' => [
            self::two([], ['pain_before' => 3]),
            [],
            'step-down',
            'pain.caution',
            'heel-taps',
            0,
            0.75,
        ];
        yield 'pain 3 twice running goes a rung down, to its start' => [
            self::both(['pain' => 3]),
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
            self::both($short),
            ['step' => 1],
            'step-down',
            'fault.repeat',
            'heel-taps',
            1,
            0.75,
        ];
        yield 'then half the range' => [
            self::both([...$short, 'target_range' => 0.75]),
            ['range' => 0.75],
            'step-down',
            'fault.repeat',
            'heel-taps',
            0,
            0.5,
        ];
        yield 'at the least range the dose' => [
            self::both([...$short, 'target_range' => 0.5]),
            ['step' => 1, 'range' => 0.5],
            'step-down',
            'fault.repeat',
            'heel-taps',
            0,
            0.5,
        ];
        yield 'at the start in the least range the rung, on its last dose' => [
            self::both([...$short, 'target_range' => 0.5]),
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
            self::both(['reps' => 7]),
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
        yield 'twice is not three times' => [self::both(['faults' => ['ribs-flare']]), [], 'stay', 'stay', 'heel-taps', 0, null];
        // soreness
        yield 'a trunk sore at 4 stays' => [self::two([], ['soreness' => 4]), [], 'stay', 'soreness', 'heel-taps', 0, null];
        yield 'sore at 3 counts' => [self::two([], ['soreness' => 3]), [], 'step-up', 'earned', 'heel-taps', 1, null];
        yield 'nothing logged' => [[], [], 'stay', 'stay', 'heel-taps', 0, null];
    }
}
