<?php

declare(strict_types=1);

namespace Tests\Reference;

use DateTimeImmutable;
use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Log\WeekLoad;
use EvenRungs\Core\Time\Weekday;
use PHPUnit\Framework\TestCase;

/**
 * Foster C (1998) Med Sci Sports Exerc 30(7):1164–1168; Foster C et al. (2001) J Strength Cond Res 15(1):109–115. The week is a
 * worked example; its figures with the sample SD were worked out by hand.
 */
final class WeekLoadTest extends TestCase
{
    use TestTrait;

    public function test_the_worked_week(): void
    {
        $week = WeekLoad::of([180.0, 0.0, 210.0, 0.0, 240.0, 0.0, 0.0]);

        self::assertSame(630.0, $week->total);
        self::assertEqualsWithDelta(0.792, $week->monotony, 0.0005);
        self::assertEqualsWithDelta(499.2, $week->strain, 0.05);
    }

    public function test_seven_days_alike_have_no_monotony_and_a_missing_day_is_not_a_rest_day(): void
    {
        self::assertNull(WeekLoad::of(array_fill(0, 7, 0.1 + 0.2))->monotony);
        self::assertNull(WeekLoad::of(array_fill(0, 7, 0.0))->strain);
        $missing = WeekLoad::of([180.0, 0.0, 210.0, 0.0, null, 0.0, 0.0]);
        self::assertSame([390.0, null, null], [$missing->total, $missing->monotony, $missing->strain]);
        $this->expectException(InvalidValue::class);
        WeekLoad::of([180.0]);
    }

    public function test_monotony_keeps_when_every_day_is_as_much_harder_and_when_the_days_change_places(): void
    {
        $this->forAll(
            Generators::seq(Generators::choose(0, 600)),
            Generators::choose(2, 9),
        )->then(function (array $days, int $factor): void {
            $days = array_pad(array_slice($days, 0, 7), 7, 0);
            $week = WeekLoad::of(array_map(floatval(...), $days));
            $harder = WeekLoad::of(array_map(static fn (int $load): float => (float) $load * $factor, array_reverse($days)));
            self::assertSame($week->total * $factor, $harder->total);
            self::assertSame($week->monotony === null, $harder->monotony === null);
            self::assertEqualsWithDelta($week->monotony ?? 0.0, $harder->monotony ?? 0.0, 1e-9);
        });
    }

    public function test_the_seven_days_end_with_the_day_that_is_asked_for(): void
    {
        $day = static fn (string $on): DateTimeImmutable => new DateTimeImmutable($on);
        self::assertSame('2027-01-04', WeekLoad::from($day('2027-01-10'))->format('Y-m-d'));
        $week = WeekLoad::upTo($day('2027-01-10'), [
            '2027-01-03' => [999],
            '2027-01-04' => [100, 80],
            '2027-01-06' => [210],
            '2027-01-10' => [50],
            '2027-01-08' => [null],
        ], [Weekday::Monday, Weekday::Thursday, Weekday::Sunday]);
        self::assertSame(440.0, $week->total, 'the first and the last of the seven days, and nothing before');
        self::assertSame(['2027-01-07', '2027-01-08'], $week->unknown, 'Thursday was planned and not logged, Friday has no number');
        self::assertNull($week->monotony);
        $rested = WeekLoad::upTo($day('2027-01-10'), ['2027-01-04' => [180], '2027-01-06' => [210], '2027-01-08' => [240]], []);
        self::assertSame([], $rested->unknown);
        self::assertEqualsWithDelta(499.2, $rested->strain, 0.05, 'the worked week on its days');
        $this->expectException(InvalidValue::class);
        WeekLoad::of([0.0, 0.0, 0.0, 0.0, 0.0, 0.0, -0.1]);
    }
}
