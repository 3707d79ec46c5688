<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Audit\Audit;

/**
 * What an audit finds in weeks, ladders and clients, at the borders of each rule.
 */
trait WeekFindings
{
    /**
     * @return iterable<string, array{
     *     string, list<array<string, mixed>>, ?string, array<string, int|float>, array<string, mixed>|null, array<string, mixed>,
     * }>
     */
    public static function weekCases(): iterable
    {
        $rung = static fn (string $name): array => [
            'exercise' => $name,
            'sets' => 1,
            'reps' => 8,
            'tempo' => '2-0-2-0',
            'side' => 'alternate',
        ];
        $climb = static fn (string $to): array => [
            ...self::withFirst([$rung('dead-bug-opposite')]),
            ['week' => 2, 'sessions' => self::withFirst([$rung($to)])[0]['sessions']],
        ];
        yield 'a rung is skipped' => ['ladder.skip', $climb('dead-bug-plate-chest'), 'warn', ['rungs' => 2], null, []];
        $highest = ['dead-bug-plate-chest', 'dead-bug-same-side', 'dead-bug-plate-overhead'];
        yield 'a rung above the highest of all weeks before, after an easier one' => [
            'ladder.skip',
            array_map(
                static fn (int $i, string $to): array => ['week' => $i + 1, 'sessions' => self::withFirst([$rung($to)])[0]['sessions']],
                array_keys($highest),
                $highest,
            ),
            null,
            [],
            null,
            [],
        ];
        yield 'one rung up' => ['ladder.skip', $climb('dead-bug-same-side'), null, [], null, []];
        $same = static fn (int $weeks): array => array_map(static fn (int $number): array => self::week($number), range(1, $weeks));
        yield 'the same for five weeks' => ['ladder.stuck', $same(5), 'note', ['weeks' => 5], null, []];
        yield 'the same for four weeks' => ['ladder.stuck', $same(4), null, [], null, []];
        $sets = static fn (int $number, int $more): array => self::week(
            $number,
            [self::session('mon'), self::session('thu', [[...self::EVEN[0], 'sets' => 1 + $more], ...array_slice(self::EVEN, 1)])],
        );
        yield 'four sets more, half again' => [
            'volume.jump',
            [self::week(1), $sets(2, 4)],
            'warn',
            ['sets' => 12, 'most_before' => 8],
            null,
            [],
        ];
        $many = static fn (int $number, int $sets): array => self::week(
            $number,
            [
                self::session('mon', array_map(static fn (array $each): array => [...$each, 'sets' => $sets], self::EVEN)),
                self::session('thu', array_map(static fn (array $each): array => [...$each, 'sets' => $sets], self::EVEN)),
                self::session('sat', [[...self::EVEN[0], 'sets' => $number === 1 ? 1 : 8]]),
            ],
        );
        yield 'seven sets more, under a third' => ['volume.jump', [$many(1, 3), $many(2, 3)], null, [], null, []];
        yield 'three sets more' => ['volume.jump', [self::week(1), $sets(2, 3)], null, [], null, []];
        yield 'back to what was done three weeks ago' => [
            'volume.jump',
            [$sets(1, 4), self::week(2), self::week(3), $sets(4, 4)],
            null,
            [],
            null,
            [],
        ];
        $able = static fn (int $level): array => ['ability' => ['AE' => $level, 'AF' => 5, 'AL' => 5, 'AR' => 5]];
        yield 'three levels above the ability' => [
            'level.above-ability',
            [self::week(1)],
            'error',
            ['level' => 5, 'ability' => 2],
            $able(2),
            [],
        ];
        yield 'two levels above the ability' => [
            'level.above-ability',
            [self::week(1)],
            'warn',
            ['level' => 5, 'ability' => 3],
            $able(3),
            [],
        ];
        yield 'one level above the ability' => ['level.above-ability', [self::week(1)], null, [], $able(4), []];
        yield 'a name nobody knows' => [
            'exercise.unknown',
            self::withFirst([['exercise' => 'ded bug', 'reps' => 8]]),
            'warn',
            ['suggestions' => [['rung' => 'dead-bug-opposite', 'name' => 'Dead bug, opposite arm and leg']]],
            null,
            [],
        ];
        yield 'an alias' => ['exercise.unknown', self::withFirst([['exercise' => 'GLUTE-BRIDGES', 'reps' => 8]]), null, [], null, []];
        yield 'kit that is not to hand' => ['equipment.missing', [self::week(1)], 'error', ['missing' => 1], ['equipment' => ['mat']], []];
        $days = static fn (array $days): array => [
            self::week(
                1,
                [self::session('mon'), self::session('thu')],
                [
                    'other_training' => array_map(
                        static fn (string $day): array => ['day' => $day, 'type' => $day === 'sun' ? 'rest' : 'endurance'],
                        $days,
                    ),
                ],
            ),
        ];
        yield 'no free day' => [
            'recovery.none',
            [
                self::week(
                    1,
                    array_map(
                        static fn (string $day): array => self::session($day, [self::EVEN[0]]),
                        ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
                    ),
                ),
            ],
            'warn',
            ['days' => 7],
            null,
            [],
        ];
        // one set of each of four is most of them; five exercises in fourteen minutes are one too many, in fifteen and a half they are not
        $long = static fn (int $sets, array $extra = []): array => [
            self::week(
                1,
                [
                    self::session(
                        'mon',
                        array_map(static fn (array $each): array => [...$each, 'sets' => $sets], [...self::EVEN, ...$extra]),
                    ),
                ],
            ),
        ];
        $bridge = [['exercise' => 'Bridge', 'sets' => 1, 'reps' => 8]];
        yield 'one set of most' => ['session.crowded', $long(1), 'note', ['single' => 4, 'exercises' => 4], ['days' => ['mon' => 20]], []];
        yield 'two sets of each' => ['session.crowded', $long(2), null, [], ['days' => ['mon' => 20]], []];
        yield 'five exercises where there is room for four' => [
            'session.crowded',
            $long(2, $bridge),
            'note',
            ['exercises' => 5, 'most' => 4],
            ['days' => ['mon' => 15]],
            [],
        ];
        yield 'five exercises where there is room for six' => [
            'session.crowded',
            $long(2, $bridge),
            null,
            [],
            ['days' => ['mon' => 16]],
            [],
        ];
        yield 'six exercises for a learner' => [
            'session.crowded',
            $long(2, [...$bridge, ['exercise' => 'Clam', 'sets' => 1, 'reps' => 8, 'side' => 'each']]),
            'note',
            ['exercises' => 6, 'most' => 5],
            ['days' => ['mon' => 25], 'goal' => 'rehab'],
            [],
        ];
        // each side of a hold of 195 s is 195 s of work, and there are no rests: 2 × 2 × 195 + 120 = 900 s
        $fifteen = static fn (int $last, array $more = []): array => [
            self::week(
                1,
                [
                    self::session(
                        'mon',
                        [
                            ['exercise' => 'Side plank', 'sets' => 2, 'hold_s' => 195, 'side' => 'each'],
                            ['exercise' => 'Front plank', 'hold_s' => $last],
                        ],
                        $more,
                    ),
                ],
            ),
        ];
        yield 'fifteen minutes begun cold' => ['prepare.none', $fifteen(120), 'note', ['computed_s' => 900], null, []];
        yield 'a second under fifteen minutes' => ['prepare.none', $fifteen(119), null, [], null, []];
        yield 'fifteen minutes with a warm-up' => ['prepare.none', $fifteen(120, ['warm_up_s' => 30]), null, [], null, []];
        yield 'fifteen minutes after a lift' => ['prepare.none', $fifteen(120, ['kind' => 'after-lift']), null, [], null, []];
        $stopped = ['as_of' => '2027-01-11', 'standings' => ['side-plank' => ['rung' => 'side-plank-stacked', 'stopped' => '2027-01-09']]];
        $lifted = static fn (string $on): array => [
            ...$stopped,
            'clearances' => [['lifts' => 'stop:side-plank', 'on' => $on, 'by' => 'A. Practice', 'role' => 'physiotherapist']],
        ];
        yield 'a ladder that was stopped' => ['stop.open', [self::week(1)], 'error', ['on' => '2027-01-09'], $stopped, []];
        yield 'a clearance of the same day lifts no stop' => [
            'stop.open',
            [self::week(1)],
            'error',
            ['on' => '2027-01-09'],
            $lifted('2027-01-09'),
            [],
        ];
        yield 'a clearance of a later day lifts it' => ['stop.open', [self::week(1)], null, [], $lifted('2027-01-10'), []];
        yield 'a gate that is not met' => [
            'gate.unmet',
            self::withFirst([['exercise' => 'rollout-wheel-short', 'reps' => 5]]),
            'warn',
            ['gates' => 1],
            ['ability' => ['AE' => 4], 'equipment' => ['wheel', 'band', 'wall', 'mat']],
            [],
        ];
        yield 'not for this age' => [
            'age.unsuitable',
            self::withFirst([['exercise' => 'plank-up-downs', 'reps' => 4]]),
            'error',
            ['level' => 6],
            ['born' => 2014, 'as_of' => '2027-01-04'],
            [],
        ];
        yield 'a year later it is' => [
            'age.unsuitable',
            self::withFirst([['exercise' => 'plank-up-downs', 'reps' => 4]]),
            null,
            [],
            ['born' => 2013, 'as_of' => '2027-01-04'],
            [],
        ];
        yield 'a rest day is free' => ['recovery.none', $days(['tue', 'wed', 'fri', 'sat', 'sun']), null, [], null, []];
    }
}
