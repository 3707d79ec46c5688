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
    use StepCases;
    use StopCases;

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
     * A clean session and another.
     *
     * @param  array<string, mixed>  $set
     * @param  array<string, mixed>  $more
     * @return list<array<string, mixed>>
     */
    private static function two(array $set = [], array $more = []): array
    {
        return [self::session('2027-01-04'), self::session('2027-01-06', $set, $more)];
    }

    /**
     * Two sessions of one kind.
     *
     * @param  array<string, mixed>  $set
     * @param  array<string, mixed>  $more
     * @return list<array<string, mixed>>
     */
    private static function both(array $set, array $more = []): array
    {
        return [self::session('2027-01-04', $set, $more), self::session('2027-01-06', $set, $more)];
    }

    /**
     * Sessions, what else the history says, and by hand: the verdict, the rule, rung, step and range.
     *
     * @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string, string, ?string, int, int|float|null}>
     */
    public static function cases(): iterable
    {
        yield from self::stepCases();
        yield from self::stopCases();
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
