<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Dose\Distance;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Log\Bands;
use EvenRungs\Core\Log\TwoForTwo;
use EvenRungs\Core\Writing;
use PHPUnit\Framework\TestCase;
use RuntimeException;

/**
 * Pounds, inches and feet. Exact values: the international yard and pound agreement of 1959 (NIST Special Publication 811, appendix B),
 * from memory.
 */
final class WritingTest extends TestCase
{
    use TestTrait;

    /**
     * @return array{shown: list<array{string, int|float, string, string}>, typed: list<array{string, int|float, int|float}>} what the
     *         built pages are held to as well
     */
    private static function cases(): array
    {
        return json_decode((string) file_get_contents(dirname(__DIR__).'/cases/amounts.json'), true);
    }

    public function test_one_amount_is_one_amount_in_both_units(): void
    {
        [$metric, $imperial] = [new Writing, new Writing(imperial: true)];
        $write = ['kg' => Writing::load(...), 'cm' => Writing::reach(...), 'm' => Writing::distance(...)];
        foreach (self::cases()['shown'] as [$unit, $amount, $here, $there]) {
            self::assertSame(
                [$here, $there],
                [
                    $metric->during(static fn (): string => $write[$unit]($amount)),
                    $imperial->during(static fn (): string => $write[$unit]($amount)),
                ],
            );
        }
        self::assertSame('20 kg', Writing::load(20), 'without a studio it is metric');
    }

    public function test_a_way_of_writing_ends_with_what_is_done_in_it(): void
    {
        $day = new DateTimeImmutable('2027-03-04');
        $american = new Writing(true, 'M j, Y');
        self::assertSame(
            'Mar 4, 2027, 4 Mar 2027, Mar 4, 2027',
            $american->during(
                static fn (): string => implode(
                    ', ',
                    [
                        Writing::day($day),
                        (new Writing(day: 'j M Y'))->during(static fn (): string => Writing::day($day)),
                        Writing::day($day),
                    ],
                ),
            ),
        );
        try {
            $american->during(static fn () => throw new RuntimeException);
        } catch (RuntimeException) {
        }
        self::assertSame('2027-03-04', Writing::day($day));
    }

    public function test_what_is_shown_in_pounds_inches_and_feet_reads_back_as_it_is_shown(): void
    {
        // the nearest half pound to the most that a load may be, 500 kg, lies over it
        $this->limitTo(300)->forAll(
            Generators::choose(1, 4999),
            Generators::choose(1, 3000),
            Generators::choose(1, 5000),
            Generators::bool(),
        )
            ->then(function (int $load, int $reach, int $metres, bool $carry): void {
                $dose = $carry ? new Dose(new Distance($metres), 2, null, null, $load / 10) : new Dose(
                    new Reps(8),
                    2,
                    null,
                    null,
                    $load / 10,
                    Range::cm(max(1, $reach / 10)),
                );
                (new Writing(true))->during(static function () use ($dose): void {
                    $shown = Shorthand::write($dose);
                    self::assertSame($shown, Shorthand::write(Shorthand::parse($shown)));
                    self::assertSame($shown, Shorthand::write(Shorthand::parse(Wording::of($dose))));
                });
            });
    }

    public function test_typed_in_either_unit_it_is_kept_metric(): void
    {
        foreach ([
            '2x20 ft @ 35 lb' => '2 × 6.1 m @15.9 kg',
            '3 x 6 12 inches far' => '3 × 6 30.5 cm',
            '3x8 with 2.5 lbs' => '3 × 8 @1.1 kg',
            '1x5 @1059.5 lb' => '1 × 5 @480.6 kg',
        ] as $typed => $kept) {
            self::assertSame($kept, Shorthand::write(Shorthand::parse($typed)));
        }
        foreach (self::cases()['typed'] as [$unit, $typed, $kept]) {
            $read = Shorthand::parse(['kg' => "1x5 @{$typed} lb", 'cm' => "1x5 {$typed} in", 'm' => "1 x {$typed} ft"][$unit]);
            self::assertEquals($kept, ['kg' => $read->loadKg, 'cm' => $read->range?->cm, 'm' => $read->measure->amount()][$unit]);
        }
        self::assertSame(
            '3 sets of 6 reps, 17.5 lb, 12 in far',
            (new Writing(true))->during(static fn (): string => Wording::of(Shorthand::parse('3x6 @8kg 30cm'))),
        );
    }

    public function test_the_next_load_is_said_in_the_studios_unit(): void
    {
        $advice = static fn (): ?string => TwoForTwo::advice([[20, 10, 12], [20, 10, 12]], Bands::of([]));
        self::assertStringContainsString('44 lb', (string) (new Writing(true))->during($advice));
        self::assertStringContainsString('20 kg', (string) $advice());
    }
}
