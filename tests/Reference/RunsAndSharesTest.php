<?php

declare(strict_types=1);

namespace Tests\Reference;

use DateTimeImmutable;
use EvenRungs\Core\Client\Tests;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Review\Evenness\DirectionLevels;
use EvenRungs\Core\Review\Evenness\EvennessRule;
use EvenRungs\Core\Review\Evenness\SideIndex;
use EvenRungs\Core\Review\Forecast\Forecast;
use EvenRungs\Core\Time\Seconds;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * The share of clean sessions with its range (Wilson EB 1927, J Am Stat Assoc 22:209–212: an end of the interval is where the share seen
 * lies z standard errors away), how long a run of clean sessions takes (Feller W, An Introduction to Probability Theory, vol. 1, XIII.7,
 * from memory: two running at one half take six on the mean, three take fourteen), and left against right at their borders.
 */
final class RunsAndSharesTest extends TestCase
{
    private const Z = 1.2816;

    private static function forecast(int $clean, int $of, int $running, int $everyDays = 2): Forecast
    {
        $first = new DateTimeImmutable('2027-01-01');
        $sessions = [];
        for ($i = 0; $i < $of; $i++) {
            $sessions[] = [$first->modify(sprintf('+%d days', $everyDays * $i)), $i < $clean];
        }

        return Forecast::from($sessions, $first->modify(sprintf('+%d days', $everyDays * ($of - 1))), $running);
    }

    public function test_both_ends_of_the_share_solve_the_equation_of_their_source(): void
    {
        foreach ([[8, 10], [1, 4], [5, 9], [19, 20], [3, 40]] as [$clean, $of]) {
            [$low, $high] = self::forecast($clean, $of, 2)->share();
            $seen = $clean / $of;
            foreach ([$low, $high] as $end) {
                self::assertEqualsWithDelta(self::Z * sqrt($end * (1 - $end) / $of), abs($seen - $end), 1e-9, "{$clean} of {$of}");
            }
            self::assertLessThan($seen, $low);
            self::assertGreaterThan($seen, $high);
        }
        self::assertEqualsWithDelta(0.0, self::forecast(0, 6, 2)->share()[0], 1e-12);
        self::assertEqualsWithDelta(1.0, self::forecast(6, 6, 2)->share()[1], 1e-12);
    }

    public function test_a_run_takes_as_long_as_the_source_says(): void
    {
        $sessions = new \ReflectionMethod(Forecast::class, 'sessionsFor');
        foreach ([[2, 6.0], [3, 14.0], [1, 2.0]] as [$running, $mean]) {
            self::assertEqualsWithDelta($mean, $sessions->invoke(self::forecast(5, 10, $running), 1, 0.5), 1e-9);
            self::assertEqualsWithDelta(4 * $mean, $sessions->invoke(self::forecast(5, 10, $running), 4, 0.5), 1e-9);
        }
        self::assertSame(2.0, $sessions->invoke(self::forecast(5, 10, 2), 1, 1.0), 'who is always clean needs the run alone');
        self::assertSame(INF, $sessions->invoke(self::forecast(5, 10, 2), 1, 0.0));
    }

    public function test_two_years_are_the_furthest_that_is_counted(): void
    {
        self::assertSame(104, Forecast::MOST_WEEKS);
        $never = self::forecast(0, 10, 2)->weeks(1);
        self::assertNull($never?->latest);
        self::assertSame(104, self::forecast(1, 30, 2)->weeks(400)?->soonest);
        self::assertNull(self::forecast(3, 3, 2)->weeks(1), 'three sessions are too few');
        self::assertNotNull(self::forecast(4, 4, 2, 5)->weeks(1), 'four over a fortnight suffice');
        self::assertNull(self::forecast(4, 4, 2, 4)->weeks(1), 'four in thirteen days do not');
        self::assertNull(Forecast::unknown(2)->weeks(1));
        self::assertSame([0, 0, 1], [Forecast::unknown(0)->clean, Forecast::unknown(0)->sessions, Forecast::unknown(0)->running]);
        $soon = self::forecast(10, 10, 2)->weeks(1, 1)?->soonest;
        self::assertLessThanOrEqual(self::forecast(10, 10, 2)->weeks(1)?->soonest, $soon, 'what is had already counts');
    }

    public function test_left_against_right_names_the_worse_and_equal_sides_name_none(): void
    {
        $norms = Documents::data()->norms();
        $of = static fn (int $left, int $right): ?array => $norms->asymmetry(
            new Tests(['side-plank-left' => Seconds::of($left), 'side-plank-right' => Seconds::of($right)]),
        );
        self::assertSame(['percent' => 80.0, 'worse' => 'left'], $of(40, 50));
        self::assertSame(['percent' => 80.0, 'worse' => 'right'], $of(50, 40));
        self::assertSame(['percent' => 100.0, 'worse' => null], $of(40, 40));
        self::assertSame(['percent' => 66.7, 'worse' => 'left'], $of(2, 3));
        self::assertNull($of(0, 40));
        self::assertNull($of(40, 0));
        self::assertNotNull($norms->asymmetry(new Tests(['side-plank-left' => Seconds::ofMs(1), 'side-plank-right' => Seconds::of(40)])));
        self::assertNull($norms->asymmetry(new Tests(['side-plank-left' => Seconds::of(40)])));
        $index = static fn (array ...$readings): array => [
            SideIndex::of($readings)->percent,
            SideIndex::of($readings)->worse,
            SideIndex::of($readings)->extraSet,
        ];
        self::assertEquals([100, null, null], $index([10, 10]));
        self::assertEquals([85, 'left', null], $index([85, 100]), 'eighty-five is not under eighty-five');
        self::assertEquals([84, 'left', null], $index([84, 100]), 'one reading is noise');
        self::assertEquals([84, 'left', 'left'], $index([84, 100], [84, 100]));
        self::assertEquals([84, 'right', 'right'], $index([100, 84], [100, 84]));
        self::assertEquals([89, 'left', 'left'], $index([84, 100], [84, 100], [89, 100]), 'eighty-nine does not end it');
        self::assertEquals([90, 'left', null], $index([84, 100], [84, 100], [90, 100]), 'ninety does');
        self::assertEquals([null, null, null], $index([0, 0]));
    }

    public function test_two_levels_ahead_hold_and_say_so(): void
    {
        $levels = static function (array $ability): array {
            $client = Documents::client(['ability' => $ability, 'tests' => ['ladders' => (object) []]]);
            $placements = Documents::placer()->place($client);

            return [DirectionLevels::of($placements), EvennessRule::of($placements, $client, Documents::data()->library(), array_map(
                static fn ($placement): string => $placement->ladder->id,
                $placements,
            ))];
        };
        [$even] = $levels(['AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4]);
        self::assertNotNull($even->spread());
        self::assertSame(max($even->levels) - min($even->levels), $even->spread());
        [$ahead, $rule] = $levels(['AE' => 6, 'AF' => 3, 'AL' => 3, 'AR' => 3]);
        self::assertGreaterThanOrEqual(2, $ahead->spread());
        foreach (Category::directions() as $direction) {
            self::assertSame($rule->holds($direction), isset($rule->reasons()[$direction->value]), $direction->value);
        }
        foreach ($rule->reasons() as $reason) {
            self::assertMatchesRegularExpression(
                '/^[A-Z][a-z-]+ is \d levels ahead of [a-z-]+: for evenness the rung may wait, while the dose moves\.$/',
                $reason,
            );
        }
        self::assertMatchesRegularExpression(
            count($rule->reasons()) === 1 ? '/ holds the rung, /' : '/No direction is 2 levels| hold the rung, /',
            $rule->proposal(),
        );
    }
}
