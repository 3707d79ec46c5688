<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Log\WorkDone;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Review\Evenness\EvennessRule;
use EvenRungs\Core\Review\Forecast\Forecast;
use EvenRungs\Core\Review\Forecast\Weeks;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * The evenness rule, work really done, and forecasts. Two levels are a house rule.
 */
final class EvennessTest extends TestCase
{
    /** @param  array<string, string>  $rungs  by ladder */
    private static function rule(array $rungs, array $client = []): EvennessRule
    {
        $library = Documents::data()->library();
        $person = Documents::client(
            [
                'name' => 'Somebody',
                'equipment' => ['mat', 'band', 'kettlebell', 'ball', 'wheel', 'bench', 'wall'],
                'screen' => ['flags' => []],
                ...$client,
            ],
        );
        $standings = array_map(static fn (string $rung): Standing => new Standing($library->rung($rung)), $rungs);
        $placements = array_filter(
            Documents::placer()->place($person->standing($standings)),
            static fn ($each): bool => isset($rungs[$each->ladder->id]),
        );

        return EvennessRule::of(array_values($placements), $person, $library);
    }

    public function test_two_levels_ahead_of_the_lowest_hold_the_rung_and_one_does_not(): void
    {
        // heel taps stand on level 4, the bridge on 2, its hold on 3 (common practice, no source)
        $uneven = self::rule(['dead-bug' => 'heel-taps', 'bridge' => 'bridge']);
        self::assertSame([['AE' => 4, 'HP' => 2], ['AE'], 'HP'], [$uneven->levels, $uneven->hold, $uneven->lowest]);
        self::assertTrue($uneven->holds(Category::AntiExtension));
        $even = self::rule(['dead-bug' => 'heel-taps', 'bridge' => 'bridge-hold']);
        self::assertSame([[], null, 1], [$even->hold, $even->lowest, $even->spread()]);
    }

    public function test_a_level_that_nobody_saw_is_not_tested_and_holds_nothing_back(): void
    {
        $library = Documents::data()->library();
        $person = Documents::client(
            [
                'name' => 'Somebody',
                'equipment' => ['mat', 'band', 'wall'],
                'screen' => ['flags' => []],
                'ability' => ['AE' => 2, 'AF' => 8, 'AL' => 2, 'AR' => 2, 'BR' => 2],
            ],
        );
        $said = EvennessRule::of(Documents::placer()->place($person), $person, $library);
        self::assertSame([[], []], [$said->levels, $said->hold]);
        self::assertStringContainsString('not tested', $said->leftOut['AF']);
        $trained = EvennessRule::of(Documents::placer()->place($person), $person, $library, ['bird-dog', 'dead-bug']);
        self::assertSame(['AE', 'AF'], array_keys($trained->levels), 'what was trained was seen');
        $seen = $person->standing(
            ['bird-dog' => new Standing($library->rung('bird-dog-elbow-knee')), 'dead-bug' => new Standing($library->rung('heel-taps'))],
        );
        $rule = EvennessRule::of(Documents::placer()->place($seen), $seen, $library);
        self::assertSame(['AE' => 4, 'AF' => 6], $rule->levels, 'what was seen is compared, with what was seen alone');
        self::assertSame(['AF'], $rule->hold);
    }

    public function test_a_direction_whose_next_rung_is_barred_is_left_out(): void
    {
        $sore = self::rule(['plank' => 'bench-plank', 'dead-bug' => 'heel-taps', 'bridge' => 'bridge'], ['limits' => ['shoulder']]);
        self::assertArrayHasKey('AE', $sore->levels, 'heel taps go on without the shoulder');
        $library = Documents::data()->library();
        $tap = $library->find('shoulder tap');
        $below = $library->ladderOf($tap)->downFrom($tap)[1];
        $barred = self::rule(
            [$tap->ladder => $below->id, 'bridge' => 'bridge'],
            ['limits' => [['limit' => 'shoulder', 'severity' => 'severe']]],
        );
        self::assertArrayNotHasKey('AR', $barred->levels);
        self::assertArrayHasKey('AR', $barred->leftOut);
    }

    public function test_what_a_rung_trains_too_gets_half_its_work_in_the_shares_of_a_week(): void
    {
        // 2 sets × 5 repetitions × 6 s × 2 sides = 120 s against bending, half of it against turning
        $session = Documents::straight(
            [['exercise' => 'bird-dog-elbow-knee', 'sets' => 2, 'reps' => 5, 'tempo' => '2-1-2-1', 'side' => 'each', 'rest_s' => 30]],
        );
        $shares = DirectionShares::of(new Week(1, [], [$session]), Documents::data()->library());

        self::assertSame([120_000, 60_000], [$shares->ms['AF'], $shares->ms['AR']]);
        self::assertSame(
            [67, 33, 0],
            [$shares->percent(Category::AntiFlexion), $shares->percent(Category::AntiRotation), $shares->percent(Category::AntiExtension)],
        );
    }

    public function test_work_done_counts_by_tempo_once_for_both_sides_and_half_for_what_it_trains_too(): void
    {
        $library = Documents::data()->library();
        $bird = $library->find('bird dog');
        $done = new WorkDone;
        foreach (['left', 'right'] as $side) {
            $done->add($bird, 5, $side, '2026-11-02');
        }
        $done->add($library->find('front plank'), 20_000, 'both', '2026-11-04');
        $done->add($library->find('front plank'), 0, 'both', '2026-11-06');
        $rep = $bird->start()->measure->work()->ms / $bird->start()->measure->amount();

        self::assertSame([1, 1, 1, 1], [$done->sets['AF'], $done->sets['AE'], $done->sessions('AF'), $done->sessions('AE')]);
        self::assertSame([(int) (10 * $rep), 20_000], [$done->ms['AF'], $done->ms['AE']]);
        self::assertSame(2 * intdiv((int) (5 * $rep), 2), $done->ms['AR'], 'the bird dog trains anti-rotation by half');
    }

    /**
     * Sessions spread evenly over some days up to today.
     *
     * @param  list<bool>  $qualified  oldest first
     */
    private static function forecast(int $days, array $qualified, int $running = 2): Forecast
    {
        $today = new DateTimeImmutable('2026-11-26');
        $sessions = array_map(
            static fn (bool $clean, int $i): array => [
                $today->modify(sprintf('-%d days', $days - 1 - intdiv($i * ($days - 1), max(1, count($qualified) - 1)))),
                $clean,
            ],
            $qualified,
            array_keys($qualified),
        );

        return Forecast::from($sessions, $today, $running);
    }

    public function test_little_data_is_an_answer(): void
    {
        self::assertNull(self::forecast(28, [true, true, true])->weeks(1));
        self::assertNull(self::forecast(10, [true, true, true, true])->weeks(1));
        self::assertStringContainsString('Too little data', self::forecast(28, [true])->assumptions()[0]);
    }

    public function test_the_range_holds_the_mean_of_simulated_runs(): void
    {
        // outside check: the mean number of sessions until two clean ones run, found by simulation instead of by formula
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(5));
        $clean = array_merge(array_fill(0, 12, true), array_fill(0, 4, false));
        $range = self::forecast(56, $clean)->weeks(3);
        self::assertNotNull($range);
        $sessions = 0;
        for ($run = 0; $run < 4000; $run++) {
            for ($step = 0; $step < 3; $step++) {
                for ($running = 0; $running < 2; $sessions++) {
                    $running = $random->getInt(1, 100) <= 75 ? $running + 1 : 0;
                }
            }
        }
        $weeks = $sessions / 4000 / 2;
        self::assertLessThanOrEqual($weeks, $range->soonest);
        self::assertGreaterThanOrEqual($weeks, $range->latest);
        self::assertLessThan($range->latest, $range->soonest);
    }

    public function test_more_steps_take_longer_cleaner_logs_less_and_never_clean_is_no_date(): void
    {
        $log = static fn (int $clean): Forecast => self::forecast(
            42,
            [...array_fill(0, $clean, true), ...array_fill(0, 12 - $clean, false)],
        );
        self::assertLessThan($log(10)->weeks(4)?->latest, $log(10)->weeks(2)?->latest);
        self::assertLessThan($log(7)->weeks(3)?->latest, $log(12)->weeks(3)?->latest);
        self::assertNull($log(0)->weeks(3)?->latest, 'beyond two years');
        self::assertLessThanOrEqual($log(12)->weeks(1)?->soonest, $log(12)->weeks(1, 1)?->soonest);
    }

    public function test_nothing_is_said_beyond_half_a_year(): void
    {
        $said = static fn (int $soonest, ?int $latest): string => (new Weeks($soonest, $latest))->toWords();
        self::assertSame(['about 1 week', 'about 3 weeks', '2 to 26 weeks'], [$said(1, 1), $said(3, 3), $said(2, 26)]);
        self::assertSame('1 week at the soonest, maybe more than half a year', $said(1, 27));
        self::assertSame('26 weeks at the soonest, maybe more than half a year', $said(26, null));
        self::assertSame('more than half a year', $said(27, 104));
    }
}
