<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Audit\Audit;

/**
 * What an audit finds in single sessions, at the borders of each rule.
 */
trait SessionFindings
{
    /**
     * @return iterable<string, array{
     *     string, list<array<string, mixed>>, ?string, array<string, int|float>, array<string, mixed>|null, array<string, mixed>,
     * }>
     */
    public static function sessionCases(): iterable
    {
        $claim = static fn (int $claimed): array => [
            self::week(1, [self::session('mon', self::EVEN, ['claimed_s' => $claimed]), self::session('thu')]),
        ];
        yield 'over the claim by more than a tenth' => [
            'time.claim',
            $claim(225),
            'error',
            ['claimed_s' => 225, 'computed_s' => self::EVEN_S],
            null,
            [],
        ];
        yield 'over the claim by a tenth' => ['time.claim', $claim(226), null, [], null, []];
        yield 'under nine tenths of the claim' => [
            'time.claim',
            $claim(276),
            'note',
            ['claimed_s' => 276, 'computed_s' => self::EVEN_S],
            null,
            [],
        ];
        yield 'nine tenths of the claim' => ['time.claim', $claim(275), null, [], null, []];
        yield 'over the minutes' => [
            'time.budget',
            [self::week(1)],
            'error',
            ['computed_s' => self::EVEN_S, 'budget_s' => 240],
            ['days' => ['mon' => 4, 'thu' => 20]],
            [],
        ];
        yield 'inside the minutes' => ['time.budget', [self::week(1)], null, [], ['days' => ['mon' => 5, 'thu' => 20]], []];
        yield 'a day that was not offered' => [
            'time.budget',
            [self::week(1)],
            'warn',
            ['computed_s' => self::EVEN_S, 'budget_s' => 0],
            ['days' => ['mon' => 20, 'sat' => 20]],
            [],
        ];
        $without = static fn (int $i): array => array_values(array_diff_key(self::EVEN, [$i => 0]));
        yield 'a direction in no session' => [
            'coverage.direction',
            [self::week(1, [self::session('mon', $without(2)), self::session('thu', $without(2))])],
            'error',
            ['sessions' => 0, 'meant' => 2, 'of' => 2],
            null,
            [],
        ];
        yield 'a direction in one of two' => [
            'coverage.direction',
            [self::week(1, [self::session('mon', $without(2)), self::session('thu')])],
            'warn',
            ['sessions' => 1, 'meant' => 2, 'of' => 2],
            null,
            [],
        ];
        yield 'a direction only in a switch-on' => [
            'coverage.direction',
            [
                self::week(
                    1,
                    [
                        self::session('mon', $without(2)),
                        self::session('thu'),
                        self::session('tue', [self::EVEN[2]], ['kind' => 'activation']),
                    ],
                ),
            ],
            'warn',
            ['sessions' => 1, 'meant' => 2, 'of' => 2],
            null,
            [],
        ];
        yield 'one session trains all once' => ['coverage.direction', [self::week(1, [self::session('mon')])], null, [], null, []];
        yield 'a gap that is named' => [
            'coverage.direction',
            [self::week(1, [self::session('mon', $without(2))])],
            'note',
            ['sessions' => 0, 'meant' => 2, 'of' => 1],
            null,
            ['gaps' => [['category' => 'AL', 'week' => 1, 'why' => 'Nothing is allowed.']]],
        ];
        $side = static fn (int $seconds): array => [
            self::week(1, [self::session('mon', [...$without(2), ['exercise' => 'Side plank', 'hold_s' => $seconds, 'side' => 'each']])]),
        ];
        // the other three directions hold 128 s of work: 14 s is under a tenth of all, 15 s is not
        yield 'under a tenth of the work' => ['coverage.balance', $side(7), 'note', ['tension_s' => 14, 'all_s' => 142], null, []];
        yield 'over a tenth of the work' => ['coverage.balance', $side(8), null, [], null, []];
        $hard = array_map(static fn (array $entry): array => [...$entry, 'sets' => 2], self::EVEN);
        $heavy = ['other_training' => [['day' => 'mon', 'type' => 'heavy-lift']]];
        $before = static fn (array $entries, string $kind): array => [
            self::week(1, [self::session('mon', $entries, ['kind' => $kind]), self::session('thu')], $heavy),
        ];
        yield 'hard before the lift' => [
            'order.before-heavy-lift',
            $before($hard, 'before-lift'),
            'error',
            ['sets' => 8, 'tension_s' => 316, 'work_s' => 316],
            null,
            [],
        ];
        yield 'light before the lift' => [
            'order.before-heavy-lift',
            $before(array_slice(self::EVEN, 0, 3), 'before-lift'),
            null,
            [],
            null,
            [],
        ];
        yield 'more than a switch-on' => [
            'order.before-heavy-lift',
            $before([['exercise' => 'Front plank', 'sets' => 1, 'hold_s' => 31]], 'activation'),
            'warn',
            ['sets' => 1, 'tension_s' => 31, 'work_s' => 31],
            null,
            [],
        ];
        yield 'a switch-on' => [
            'order.before-heavy-lift',
            $before([['exercise' => 'Front plank', 'sets' => 1, 'hold_s' => 30]], 'activation'),
            null,
            [],
            null,
            [],
        ];
        yield 'hard, and nobody wrote which comes first' => [
            'order.before-heavy-lift',
            $before($hard, 'standalone'),
            'note',
            ['sets' => 8, 'tension_s' => 316, 'work_s' => 316],
            null,
            [],
        ];
        $planks = static fn (int $last): array => [
            ['exercise' => 'Front plank', 'sets' => 4, 'hold_s' => 30],
            ['exercise' => 'Knee plank', 'sets' => 1, 'hold_s' => $last],
        ];
        yield 'hard by 150 s in five sets' => [
            'order.before-heavy-lift',
            $before($planks(30), 'before-lift'),
            'error',
            ['sets' => 5, 'tension_s' => 150, 'work_s' => 150],
            null,
            [],
        ];
        yield 'not hard by 149 s in five sets' => ['order.before-heavy-lift', $before($planks(29), 'before-lift'), null, [], null, []];
        $sides = array_map(
            static fn (string $rung): array => ['exercise' => $rung, 'sets' => 1, 'hold_s' => 30, 'side' => 'each'],
            ['side-plank-wall', 'side-plank-knees', 'side-plank-split', 'side-plank-stacked'],
        );
        yield 'a switch-on of 240 s' => ['order.before-heavy-lift', $before($sides, 'activation'), null, [], null, []];
        yield 'a second more than a switch-on' => [
            'order.before-heavy-lift',
            $before([...$sides, ['exercise' => 'Front plank', 'sets' => 1, 'hold_s' => 1]], 'activation'),
            'warn',
            ['sets' => 5, 'tension_s' => 241, 'work_s' => 241],
            null,
            [],
        ];
        yield 'hard after the lift' => ['order.before-heavy-lift', $before($hard, 'after-lift'), null, [], null, []];
        $two = static fn (string $one, string $other): array => [self::week(1, [self::session($one, $hard), self::session($other, $hard)])];
        yield 'hard on neighbouring days' => [
            'spacing.hard-days',
            $two('mon', 'tue'),
            'warn',
            ['hours' => 24, 'sets' => 8, 'tension_s' => 316],
            null,
            [],
        ];
        yield 'hard 48 h apart' => ['spacing.hard-days', $two('mon', 'wed'), null, [], null, []];
        yield 'hard from Sunday to the next Monday' => [
            'spacing.hard-days',
            [self::week(1, [self::session('sun', $hard)]), self::week(2, [self::session('mon', $hard)])],
            'warn',
            ['hours' => 24, 'sets' => 8, 'tension_s' => 316],
            null,
            [],
        ];
        yield 'the last day is not joined to the first' => ['spacing.hard-days', $two('mon', 'sun'), null, [], null, []];
        yield 'hard on the day before a heavy lift' => [
            'spacing.hard-days',
            [
                self::week(
                    1,
                    [self::session('wed', $hard), self::session('sun')],
                    ['other_training' => [['day' => 'thu', 'type' => 'heavy-lift']]],
                ),
            ],
            'warn',
            ['hours' => 24, 'sets' => 8, 'tension_s' => 316],
            null,
            [],
        ];
        $plank = static fn (array $more): array => self::withFirst([['exercise' => 'Front plank', 'sets' => 1, 'hold_s' => 20, ...$more]]);
        yield 'barred by a sore shoulder' => ['limit.shoulder', $plank([]), 'error', ['grade' => 2], ['limits' => ['shoulder']], []];
        yield 'a mild one bars only grade 3' => [
            'limit.shoulder',
            $plank([]),
            null,
            [],
            ['limits' => [['limit' => 'shoulder', 'severity' => 'mild']]],
            [],
        ];
        yield 'held over the cap' => ['hold.over-cap', $plank(['hold_s' => 61]), 'warn', ['hold_s' => 61, 'cap_s' => 60], null, []];
        yield 'held to the cap' => ['hold.over-cap', $plank(['hold_s' => 60]), null, [], null, []];
        $sided = static fn (array $more): array => self::withFirst([['exercise' => 'side plank, knees bent', ...$more]]);
        yield 'no side where it is done side by side' => [
            'side.missing',
            $sided(['hold_s' => 20]),
            'warn',
            ['work_s' => 20, 'both_sides_s' => 40],
            null,
            [],
        ];
        yield 'a work time covers both sides' => ['side.missing', $sided(['work_s' => 20]), null, [], null, []];
        yield 'over the top of the rung' => [
            'dose.range',
            $plank(['hold_s' => 46]),
            'note',
            ['given' => 46, 'start' => 10, 'top' => 45],
            null,
            [],
        ];
        yield 'over twice the top' => [
            'dose.range',
            $plank(['hold_s' => 91]),
            'warn',
            ['given' => 91, 'start' => 10, 'top' => 45],
            null,
            [],
        ];
        yield 'the top of the rung' => ['dose.range', $plank(['hold_s' => 45]), null, [], null, []];
        yield 'seven sets' => ['dose.range', $plank(['sets' => 7]), 'warn', ['sets' => 7, 'most_sets' => 6], null, []];
    }
}
