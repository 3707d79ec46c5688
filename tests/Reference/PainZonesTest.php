<?php

declare(strict_types=1);

namespace Tests\Reference;

use EvenRungs\Core\Verdict\Judge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * The pain-monitoring model: 0 to 2 safe, up to 5 acceptable, above 5 high risk, after training and the next morning no more than 5,
 * no rise: Thomeé R (1997) Phys Ther 77(12):1690–1703; Silbernagel KG et al. (2007) Am J Sports Med 35(6):897–906 (from memory). It comes
 * from knee and Achilles pain; for the trunk it is an extrapolation, and the default style is stricter: 3 to 5 ends the exercise for the day.
 */
final class PainZonesTest extends TestCase
{
    private static function verdict(int $pain, string $when, string $style, bool $cleared, int $before = 0): string
    {
        $session = static fn (string $date, int $during, int $after): array => ['date' => $date, 'pain_next_day' => $after, 'sets' => array_map(static fn (string $side): array => ['side' => $side, 'target_reps' => 8, 'reps' => 8, 'faults' => [], 'pain' => $during, 'effort' => 5, 'breathing' => true], ['left', 'right'])];
        $history = Documents::history(['ladder' => 'dead-bug', 'rung' => 'heel-taps', 'step' => 0, 'sessions' => [$session('2027-01-04', $before, $before), $session('2027-01-06', $when === 'during' ? $pain : 0, $when === 'next day' ? $pain : 0)]]);

        return (new Judge(Documents::data()->library(), Documents::data()->style($style), null, $cleared))->decide($history)->decision->value;
    }

    /** @return iterable<string, array{int, string, string}> pain, verdict of the strict style, verdict under a clearance */
    public static function zones(): iterable
    {
        yield '0 is safe' => [0, 'step-up', 'step-up'];
        yield '2 is safe, though a rise does not earn' => [2, 'stay', 'stay'];
        yield '3 is a caution' => [3, 'regress', 'stay'];
        yield '5 is the most that is acceptable' => [5, 'regress', 'stay'];
        yield '6 is high risk' => [6, 'stop', 'stop'];
        yield '10 too' => [10, 'stop', 'stop'];
    }

    #[DataProvider('zones')]
    public function test_zones_during_and_the_next_day(int $pain, string $strict, string $monitored): void
    {
        $monitors = array_values(array_filter(Documents::data()->styleNames(), static fn (string $name): bool => Documents::data()->style($name)->monitorsPain));
        self::assertNotSame([], $monitors, 'a style that monitors pain ships');
        foreach (['during', 'next day'] as $when) {
            self::assertSame($strict, self::verdict($pain, $when, 'even-keel', true), 'strict, '.$when);
            self::assertSame($monitored, self::verdict($pain, $when, $monitors[0], true), 'monitored, '.$when);
            self::assertSame($strict, self::verdict($pain, $when, $monitors[0], false), 'without a clearance the strict zones hold, '.$when);
        }
    }

    public function test_a_rise_inside_the_safe_zone_does_not_earn(): void
    {
        self::assertSame(['step-up', 'stay'], [self::verdict(1, 'during', 'even-keel', false, 1), self::verdict(2, 'during', 'even-keel', false, 1)]);
    }
}
