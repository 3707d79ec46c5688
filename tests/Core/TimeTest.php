<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Core\Writing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Times as they are typed, counted and shown.
 */
final class TimeTest extends TestCase
{
    /** @return iterable<array{string, int, string, int|float}> typed, milliseconds, shown, as a number */
    public static function times(): iterable
    {
        yield ['0', 0, '0:00', 0];
        yield ['45', 45_000, '0:45', 45];
        yield ['45s', 45_000, '0:45', 45];
        yield ['45 s', 45_000, '0:45', 45];
        yield ['7.5', 7_500, '0:07.5', 7.5];
        yield ['0:07.05', 7_050, '0:07.05', 7.05];
        yield ['0.001', 1, '0:00.001', 0.001];
        yield ['0.999', 999, '0:00.999', 0.999];
        yield ['0:59', 59_000, '0:59', 59];
        yield ['60', 60_000, '1:00', 60];
        yield ['1:00', 60_000, '1:00', 60];
        yield ['1:01.5', 61_500, '1:01.5', 61.5];
        yield ['12:05', 725_000, '12:05', 725];
        yield ['61:01', 3_661_000, '61:01', 3661];
        yield ['9999:59', 599_999_000, '9999:59', 599_999];
    }

    #[DataProvider('times')]
    public function test_a_time_is_read_counted_and_shown(string $typed, int $ms, string $shown, int|float $number): void
    {
        $time = Seconds::parse($typed);
        self::assertSame([$ms, $shown, $number], [$time->ms, $time->toClock(), $time->toNumber()]);
        self::assertTrue($time->equals(Seconds::ofMs($ms)));
        self::assertFalse($time->equals(Seconds::ofMs($ms + 1)));
    }

    public function test_what_is_no_time_is_refused(): void
    {
        foreach (['', '1:60', '1:5', ':30', '-1', '1:2:3', '45 m', '123456', 'x'] as $typed) {
            try {
                Seconds::parse($typed);
                self::fail($typed.' was taken');
            } catch (InvalidValue $e) {
                self::assertStringContainsString('is not a time', $e->sentence);
            }
        }
        foreach ([static fn () => Seconds::of(-0.001), static fn () => Seconds::of(INF), static fn () => Seconds::ofMs(-1)] as $make) {
            try {
                $make();
                self::fail('less than nothing was taken');
            } catch (InvalidValue $e) {
                self::assertStringContainsString('zero or more', $e->sentence);
            }
        }
    }

    public function test_times_are_added_multiplied_and_compared(): void
    {
        $five = Seconds::of(5);
        self::assertSame([5_500, 15_000, 0], [$five->plus(Seconds::of(0.5))->ms, $five->times(3)->ms, $five->times(0)->ms]);
        self::assertTrue(Seconds::zero()->isZero());
        self::assertFalse(Seconds::ofMs(1)->isZero());
        self::assertTrue(Seconds::ofMs(5_001)->isLongerThan($five));
        self::assertFalse($five->isLongerThan($five));
        self::assertFalse(Seconds::ofMs(4_999)->isLongerThan($five));
        self::assertSame(1, Seconds::of(0.0005)->ms, 'to the nearest millisecond');
        self::assertSame(0, Seconds::of(0.0004)->ms);
    }

    public function test_the_days_of_the_week_stand_in_order_from_monday(): void
    {
        self::assertSame(
            ['mon Monday 0', 'tue Tuesday 1', 'wed Wednesday 2', 'thu Thursday 3', 'fri Friday 4', 'sat Saturday 5', 'sun Sunday 6'],
            array_map(static fn (Weekday $day): string => $day->value.' '.$day->label().' '.$day->number(), Weekday::cases()),
        );
    }

    public function test_amounts_in_pounds_inches_and_feet(): void
    {
        $imperial = new Writing(true, 'm/d/Y');
        self::assertSame(['8 kg', '30 cm', '20 m'], [Writing::load(8), Writing::reach(30), Writing::distance(20)]);
        self::assertSame(
            ['17.5 lb', '12 in', '66 ft', '01/04/2027'],
            $imperial->during(static fn (): array => [
                Writing::load(8), Writing::reach(30), Writing::distance(20), Writing::day(new \DateTimeImmutable('2027-01-04')),
            ]),
        );
        self::assertSame('3.5 ft', $imperial->during(static fn (): string => Writing::distance(1)));
        self::assertSame('8 kg', Writing::load(8), 'and as before after it');
        self::assertSame(['1', '0.5', '0.125', '1.1', '100'], array_map(Writing::number(...), [1.0, 0.5, 0.125, 1.1, 100]));
    }
}
