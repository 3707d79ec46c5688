<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Client\Client;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Each rule of an audit: what triggers it with which numbers, what nearly does and does not, and that its fix mends it.
 * House rules, but for the spacing of hard days.
 */
final class AuditTest extends TestCase
{
    private const EVEN = [
        ['exercise' => 'Dead bug', 'sets' => 1, 'reps' => 5, 'tempo' => '2-0-2-0', 'side' => 'alternate', 'rest_s' => 30],
        ['exercise' => 'Bird dog', 'sets' => 1, 'reps' => 5, 'tempo' => '2-0-2-0', 'side' => 'alternate', 'rest_s' => 30],
        ['exercise' => 'Side plank', 'sets' => 1, 'hold_s' => 15, 'side' => 'each', 'rest_s' => 30],
        ['exercise' => 'Press-out', 'sets' => 1, 'reps' => 8, 'tempo' => '1-1-1-0', 'side' => 'alternate', 'rest_s' => 30],
    ];

    /**
     * @param  list<array<string, mixed>>  $entries
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function session(string $day, array $entries = self::EVEN, array $more = []): array
    {
        return [
            'format' => 'even-rungs/session',
            'version' => 1,
            'day' => $day,
            'kind' => 'standalone',
            'blocks' => [['type' => 'straight', 'entries' => $entries]],
            ...$more,
        ];
    }

    /** @return array<string, mixed> twice the four directions, nothing wrong with it */
    private static function week(int $number, array $sessions = [], array $more = []): array
    {
        return ['week' => $number, 'sessions' => $sessions === [] ? [self::session('mon'), self::session('thu')] : $sessions, ...$more];
    }

    /** @param  list<array<string, mixed>>  $weeks */
    private static function read(array $weeks, ?Client $client = null, array $more = []): AuditedProgram
    {
        $program = Documents::program(['weeks' => $weeks, ...$more]);

        return (new Audit(Documents::data()->library()))->read($program, $client);
    }

    /** @return list<Finding> */
    private static function find(AuditedProgram $program, string $rule): array
    {
        return array_values(
            array_filter((new Audit($program->library))->findings($program), static fn (Finding $each): bool => $each->rule === $rule),
        );
    }

    private static function client(array $more = []): Client
    {
        return Documents::client(['equipment' => ['band', 'wall', 'mat'], 'days' => ['mon' => 20, 'thu' => 20], ...$more]);
    }

    /** @param  list<array<string, mixed>>  $first  entries put before the even ones on Monday */
    private static function withFirst(array $first): array
    {
        return [self::week(1, [self::session('mon', [...$first, ...self::EVEN]), self::session('thu')])];
    }

    public function test_the_even_week_has_nothing_wrong(): void
    {
        $program = self::read([self::week(1)], self::client(['ability' => ['AE' => 5, 'AF' => 5, 'AL' => 5, 'AR' => 5]]));

        self::assertSame(
            ['session.crowded has one set of 4 of its 4 exercises'],
            array_values(
                array_unique(
                    array_map(
                        static fn (Finding $each): string => $each->rule.' '.$each->message,
                        (new Audit($program->library))->findings($program),
                    ),
                ),
            ),
        );
    }

    /**
     * @return iterable<string, array{
     *     string, list<array<string, mixed>>, ?string, array<string, int|float>, array<string, mixed>|null, array<string, mixed>,
     * }>
     */
    public static function cases(): iterable
    {
        // the even session takes 5 × 4 s × 2 + 5 × 4 s × 2 + 30 s + 8 × 3 s × 2 and three rests of 30 s
        $seconds = 40 + 40 + 30 + 48 + 90;
        $claim = static fn (int $claimed): array => [
            self::week(1, [self::session('mon', self::EVEN, ['claimed_s' => $claimed]), self::session('thu')]),
        ];
        yield 'over the claim by more than a tenth' => [
            'time.claim',
            $claim(225),
            'error',
            ['claimed_s' => 225, 'computed_s' => $seconds],
            null,
            [],
        ];
        yield 'over the claim by a tenth' => ['time.claim', $claim(226), null, [], null, []];
        yield 'under nine tenths of the claim' => [
            'time.claim',
            $claim(276),
            'note',
            ['claimed_s' => 276, 'computed_s' => $seconds],
            null,
            [],
        ];
        yield 'nine tenths of the claim' => ['time.claim', $claim(275), null, [], null, []];
        yield 'over the minutes' => [
            'time.budget',
            [self::week(1)],
            'error',
            ['computed_s' => $seconds, 'budget_s' => 240],
            ['days' => ['mon' => 4, 'thu' => 20]],
            [],
        ];
        yield 'inside the minutes' => ['time.budget', [self::week(1)], null, [], ['days' => ['mon' => 5, 'thu' => 20]], []];
        yield 'a day that was not offered' => [
            'time.budget',
            [self::week(1)],
            'warn',
            ['computed_s' => $seconds, 'budget_s' => 0],
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

    /**
     * @param  list<array<string, mixed>>  $weeks
     * @param  array<string, int|float>  $evidence
     * @param  array<string, mixed>|null  $client
     * @param  array<string, mixed>  $more
     */
    #[DataProvider('cases')]
    public function test_a_rule_fires_exactly_where_it_should_with_its_numbers(
        string $rule,
        array $weeks,
        ?string $severity,
        array $evidence,
        ?array $client,
        array $more,
    ): void {
        $found = self::find(self::read($weeks, $client === null ? null : self::client($client), $more), $rule);

        self::assertSame($severity, ($found[0] ?? null)?->severity->value, $found === [] ? 'nothing found' : $found[0]->message);
        if ($severity !== null) {
            self::assertEquals($evidence, array_intersect_key($found[0]->evidence, $evidence));
            self::assertMatchesRegularExpression('#^/weeks/\d+(/sessions/\d+(/blocks/\d+/entries/\d+)?)?$#', $found[0]->where);
        }
    }

    /**
     * @param  list<array<string, mixed>>  $weeks
     * @param  array<string, int|float>  $evidence
     * @param  array<string, mixed>|null  $client
     * @param  array<string, mixed>  $more
     */
    #[DataProvider('cases')]
    public function test_a_fix_mends_what_was_found(
        string $rule,
        array $weeks,
        ?string $severity,
        array $evidence,
        ?array $client,
        array $more,
    ): void {
        $program = self::read($weeks, $client === null ? null : self::client($client), $more);
        $found = self::find($program, $rule);
        if ($found === [] || $found[0]->fix === null) {
            self::assertTrue(
                $severity === null || in_array(
                    $rule,
                    ['volume.jump', 'coverage.balance'],
                    true,
                ) || $severity === 'note' || $rule === 'ladder.stuck',
                $rule.' has no fix',
            );

            return;
        }
        $mended = (new Audit($program->library))->read($found[0]->fix->apply($program->program), $program->client);

        $weight = static fn (array $findings): int => array_sum(
            array_map(static fn (Finding $each): int => ['note' => 1, 'warn' => 2, 'error' => 4][$each->severity->value], $findings),
        );
        self::assertLessThan($weight($found), $weight(self::find($mended, $rule)), $found[0]->fix->text);
    }

    public function test_taps_alone_bring_a_bad_program_to_no_error(): void
    {
        $bad = [self::week(1, [
            self::session(
                'mon',
                [
                    ['exercise' => 'Front plank', 'sets' => 3, 'hold_s' => 90, 'rest_s' => 60],
                    ['exercise' => 'Shoulder tap', 'sets' => 3, 'reps' => 20, 'side' => 'both'],
                ],
                ['kind' => 'before-lift', 'claimed_s' => 300],
            ),
            self::session(
                'tue',
                [
                    ['exercise' => 'ab wheel rollout', 'sets' => 3, 'reps' => 12, 'tempo' => '3-0-3-0', 'rest_s' => 90],
                    ['exercise' => 'ded bug', 'sets' => 4, 'reps' => 20, 'rest_s' => 60],
                ],
                ['claimed_s' => 300],
            ),
        ], ['other_training' => [['day' => 'mon', 'type' => 'heavy-lift']]])];
        $program = self::read(
            $bad,
            self::client(
                ['limits' => ['wrist'], 'days' => ['mon' => 12, 'tue' => 12], 'ability' => ['AE' => 4, 'AF' => 3, 'AL' => 3, 'AR' => 3]],
            ),
        );
        $errors = static fn (AuditedProgram $read): array => array_values(
            array_filter(
                (new Audit($read->library))->findings($read),
                static fn (Finding $each): bool => $each->severity->value === 'error',
            ),
        );
        self::assertGreaterThan(4, count($errors($program)));
        $mendable = static fn (AuditedProgram $read): array => array_values(
            array_filter($errors($read), static fn (Finding $each): bool => $each->fix !== null),
        );
        for ($tap = 0; $tap < 40 && $mendable($program) !== []; $tap++) {
            $fix = $mendable($program)[0]->fix;
            self::assertNotNull($fix);
            $program = (new Audit($program->library))->read($fix->apply($program->program), $program->client);
        }

        foreach ($errors($program) as $left) {
            self::assertSame(
                'coverage.direction',
                $left->rule,
                'only what no minutes are left for is the trainer\'s to decide: '.$left->message,
            );
        }
    }

    public function test_in_every_shipped_style_hard_begins_at_150_s_and_a_switch_on_ends_at_240_s(): void
    {
        $sides = array_map(
            static fn (string $rung): array => ['exercise' => $rung, 'sets' => 1, 'hold_s' => 30, 'side' => 'each'],
            ['side-plank-wall', 'side-plank-knees', 'side-plank-split', 'side-plank-stacked'],
        );
        $planks = static fn (int $last): array => [
            ['exercise' => 'Front plank', 'sets' => 4, 'hold_s' => 30],
            ['exercise' => 'Knee plank', 'sets' => 1, 'hold_s' => $last],
        ];
        foreach (Documents::data()->styleNames() as $style) {
            $isFound = static function (array $entries, string $kind) use ($style): bool {
                $audit = new Audit(Documents::data()->library(), Documents::data()->style($style));
                $week = self::week(
                    1,
                    [self::session('mon', $entries, ['kind' => $kind]), self::session('thu')],
                    ['other_training' => [['day' => 'mon', 'type' => 'heavy-lift']]],
                );

                return array_filter(
                    $audit->found($audit->read(Documents::program(['weeks' => [$week]]))),
                    static fn (Finding $each): bool => $each->rule === 'order.before-heavy-lift',
                ) !== [];
            };
            self::assertSame([true, false], [$isFound($planks(30), 'before-lift'), $isFound($planks(29), 'before-lift')], $style);
            self::assertSame(
                [false, true],
                [
                    $isFound($sides, 'activation'),
                    $isFound([...$sides, ['exercise' => 'Front plank', 'sets' => 1, 'hold_s' => 1]], 'activation'),
                ],
                $style,
            );
        }
    }
}
