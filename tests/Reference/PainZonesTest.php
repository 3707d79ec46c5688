<?php

declare(strict_types=1);

namespace Tests\Reference;

use DateTimeImmutable;
use EvenRungs\Core\Verdict\Judge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * The pain-monitoring model: 0 to 2 safe, up to 5 acceptable, above 5 high risk, after training and the next morning no more than 5,
 * no rise: Thomeé R (1997) Phys Ther 77(12):1690–1703; Silbernagel KG et al. (2007) Am J Sports Med 35(6):897–906 (from memory). It comes
 * from knee and Achilles pain; for the trunk it is an extrapolation, and the default style is stricter: 3 to 5 ends the exercise for the
 * day.
 */
final class PainZonesTest extends TestCase
{
    /** @param  list<array{int, int, int}>  $pains  before, during and on the day after each session */
    private static function verdict(array $pains, string $style, bool $cleared): string
    {
        $sessions = [];
        foreach ($pains as $i => [$before, $during, $after]) {
            $sessions[] = [
                'date' => sprintf('2027-01-%02d', 4 + 2 * $i),
                'pain_before' => $before,
                'pain_next_day' => $after,
                'sets' => array_map(
                    static fn (string $side): array => [
                        'side' => $side,
                        'target_reps' => 8,
                        'reps' => 8,
                        'faults' => [],
                        'pain' => $during,
                        'effort' => 5,
                        'breathing' => true,
                    ],
                    ['left', 'right'],
                ),
            ];
        }
        $history = Documents::history(
            [
                'ladder' => 'dead-bug',
                'rung' => 'heel-taps',
                'step' => 0,
                'sessions' => $sessions,
                ...($cleared ? ['monitored' => ['from' => '2027-01-01', 'until' => '2027-06-30']] : []),
            ],
            $style,
        );

        return (new Judge(Documents::data()->library(), Documents::data()->style($style)))->decide($history)->decision->value;
    }

    /**
     * @return iterable<string, array{int, string, string}> pain in three sessions running, verdict of the strict style, verdict under a
     *                                                      clearance
     */
    public static function zones(): iterable
    {
        yield '0 is safe' => [0, 'step-up', 'step-up'];
        yield '2 is safe' => [2, 'step-up', 'step-up'];
        yield '3 is a caution, and acceptable where it is watched' => [3, 'regress', 'step-up'];
        yield '5 is the most that is acceptable' => [5, 'regress', 'step-up'];
        yield '6 is high risk' => [6, 'stop', 'stop'];
        yield '10 too' => [10, 'stop', 'stop'];
    }

    public function test_pain_is_monitored_from_the_first_to_the_last_day_that_a_clinician_allowed(): void
    {
        $on = static fn (string $day, ?string $until): bool => Documents::history(
            [
                'ladder' => 'dead-bug',
                'rung' => 'heel-taps',
                'step' => 0,
                'sessions' => [],
                'as_of' => '2027-01-05',
                'monitored' => ['from' => '2027-01-05', ...($until === null ? [] : ['until' => $until])],
            ],
        )->isMonitoredOn(new DateTimeImmutable($day));
        self::assertSame(
            [false, true, true, false],
            array_map(static fn (string $day): bool => $on($day, '2027-01-10'), ['2027-01-04', '2027-01-05', '2027-01-10', '2027-01-11']),
        );
        self::assertTrue($on('2030-01-01', null), 'until it is taken back');
    }

    #[DataProvider('zones')]
    public function test_zones_before_during_and_the_next_day(int $pain, string $strict, string $monitored): void
    {
        $monitors = array_values(
            array_filter(Documents::data()->styleNames(), static fn (string $name): bool => Documents::data()->style($name)->monitorsPain),
        );
        self::assertNotSame([], $monitors, 'a style that monitors pain ships');
        $same = array_fill(0, 3, [$pain, $pain, $pain]);
        self::assertSame($strict, self::verdict($same, 'even-keel', true), 'strict');
        self::assertSame($monitored, self::verdict($same, $monitors[0], true), 'monitored');
        self::assertSame($strict, self::verdict($same, $monitors[0], false), 'without a clearance the strict zones hold');
    }

    public function test_a_rise_does_not_earn_and_worse_on_the_day_after_neither(): void
    {
        self::assertSame(
            ['step-up', 'stay'],
            [self::verdict([[1, 1, 1], [1, 1, 1]], 'even-keel', false), self::verdict([[1, 1, 1], [1, 2, 1]], 'even-keel', false)],
        );
        self::assertSame('step-down', self::verdict([[0, 0, 0], [3, 4, 3]], 'full-compass', true), 'a rise ends it, monitored or not');
        self::assertSame('regress', self::verdict([[3, 4, 3], [3, 3, 4]], 'full-compass', true), 'worse on the day after than before');
        self::assertSame('stay', self::verdict([[3, 3, 3]], 'full-compass', true), 'a first session only stays');
    }
}
