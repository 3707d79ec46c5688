<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Each rule of an audit: what triggers it with which numbers, what nearly does and does not, and that its fix mends it.
 * House rules, but for the spacing of hard days.
 */
final class AuditTest extends TestCase
{
    use AuditedWeeks;
    use SessionFindings;
    use WeekFindings;

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
        yield from self::sessionCases();
        yield from self::weekCases();
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
