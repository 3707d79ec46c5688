<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Dose\Distance;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Tempo;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DoseTest extends TestCase
{
    use TestTrait;

    /** @return list<array{string, string}> what a trainer types, and the one way it is written */
    public static function typed(): array
    {
        return [
            ['3x8/s 3-1-3-1 r45', '3 × 8 /s 3-1-3-1 r0:45'],
            ['3 × 8 /s 3-1-3-1 r0:45', '3 × 8 /s 3-1-3-1 r0:45'],
            ['2 x 30s', '2 × 30 s'],
            ['2 x 20 s /side r 1:05', '2 × 20 s /s r1:05'],
            ['4x(4x10s/5s)/s', '4 × (4 × 10 s / 5 s) /s'],
            ['1 × 10 × 3 s 1-0-1-0', '1 × 10 × 3 s 1-0-1-0'],
            ['3X12/alt x-0-1-0', '3 × 12 /alt X-0-1-0'],
            ['2x20m/s @16kg', '2 × 20 m /s @16 kg'],
            ['2 × 15 m at 0.5 m/s', '2 × 15 m at 0.5 m/s'],
            ['3 × 8 @7.5 kg half range', '3 × 8 @7.5 kg half range'],
            ['2 × 40 s work r20s', '2 × 40 s work r0:20'],
            ['3 x 8', '3 × 8'],
            ['3*8', '3 × 8'],
            ['3 sets of 8', '3 × 8'],
            ['3 sets x 8 reps', '3 × 8'],
            ['3 sets 8 reps', '3 × 8'],
            ['8 reps', '1 × 8'],
            ['8 reps each side', '1 × 8 /s'],
            ['30s', '1 × 30 s'],
            ['30 sec', '1 × 30 s'],
            ['30 seconds', '1 × 30 s'],
            ['1 min', '1 × 60 s'],
            ['1:30', '1 × 90 s'],
            ['2 x 1:30', '2 × 90 s'],
            ['3x30"', '3 × 30 s'],
            ['3x0:45', '3 × 45 s'],
            ['3x1min', '3 × 60 s'],
            ['2 min', '1 × 120 s'],
            ['3x30 sec hold', '3 × 30 s'],
            ['3x30s hold each side', '3 × 30 s /s'],
            ['3x8 per side', '3 × 8 /s'],
            ['3x8 each side', '3 × 8 /s'],
            ['3x8 e/s', '3 × 8 /s'],
            ['3x8 ea', '3 × 8 /s'],
            ['3x8 each', '3 × 8 /s'],
            ['3x8 L/R', '3 × 8 /s'],
            ['3x8 each leg', '3 × 8 /s'],
            ['3x8/leg', '3 × 8 /s'],
            ['3x8 alt', '3 × 8 /alt'],
            ['3x8 alternating', '3 × 8 /alt'],
            ['3x8 alternating sides rest 60', '3 × 8 /alt r1:00'],
            ['3x8 tempo 3131', '3 × 8 3-1-3-1'],
            ['3x8 tempo 3-1-3-1', '3 × 8 3-1-3-1'],
            ['3x8 3-1-3-1 rest 45s', '3 × 8 3-1-3-1 r0:45'],
            ['3x8 rest 0:45', '3 × 8 r0:45'],
            ['3x8, rest 1 min', '3 × 8 r1:00'],
            ['3x8 45s rest', '3 × 8 r0:45'],
            ['3x8 @8kg', '3 × 8 @8 kg'],
            ['3x8 8 kg', '3 × 8 @8 kg'],
            ['3x8 with 8 kg', '3 × 8 @8 kg'],
            ['3x8 @ 20 lb', '3 × 8 @9.1 kg'],
            ['3x8 50%', '3 × 8 half range'],
            ['3 x 8, half the range', '3 × 8 half range'],
            ['3x8 30 cm r45', '3 × 8 30 cm r0:45'],
            ['2 x 5 at 75 % of the range', '2 × 5 75% range'],
            ['3x(4x10/5)', '3 × (4 × 10 s / 5 s)'],
            ['4x10s/5s', '1 × (4 × 10 s / 5 s)'],
            ['3x20m', '3 × 20 m'],
            ['3 x 20 metres /s @16kg', '3 × 20 m /s @16 kg'],
            ['2x20 m each side', '2 × 20 m /s'],
            ['3x8x5s', '3 × 8 × 5 s'],
            ['3x8 5s hold', '3 × 8 × 5 s'],
            ['2 x 40 s work r20', '2 × 40 s work r0:20'],
            ['10x3s/s r20', '10 × 3 s /s r0:20'],
        ];
    }

    #[DataProvider('typed')]
    public function test_shorthand_reads_what_trainers_type_and_writes_one_form(string $typed, string $written): void
    {
        self::assertSame($written, Shorthand::write(Shorthand::parse($typed)));
    }

    /** @return list<array{string, string}> what is refused, and a word of the reason */
    public static function refused(): array
    {
        return [
            ['', 'empty'],
            ['eight', 'does not start with sets'],
            ['3 × 8 3-1-x', 'four parts'],
            ['3 × 8 313', '"313" is not understood'],
            ['3 × 8 /s /s', 'each once'],
            ['2 × 30 s 3-1-3-1', 'tempo goes only with reps'],
            ['2 × 30 s /alt', 'only with reps'],
            ['0 × 8', 'sets is 0'],
            ['3 × 1001', 'reps is 1001'],
            ['3 × 8 r4000', 'rest is 4000 s'],
            ['3 × 8 0-0-0-0', 'no time'],
            [str_repeat('3 × 8 ', 50), '200 characters'],
            ['3x8-10', 'is a range'],
            ['3 x 8 to 10 reps', 'is a range'],
            ['3xAMRAP', 'write how many'],
            ['3x max', 'write how many'],
            ['2x to failure', 'write how many'],
            ['3x8 3-1-3', 'four parts'],
            ['3x8 tempo 301', 'four parts'],
            ['3x8 RPE 7', 'effort is asked after the set'],
            ['superset 3x8', 'write a circuit'],
            ['8', 'neither repetitions nor seconds'],
            ['3x', 'is not an amount'],
            ['x8', 'does not start with sets'],
        ];
    }

    #[DataProvider('refused')]
    public function test_shorthand_refuses_with_the_part_that_is_wrong(string $typed, string $reason): void
    {
        try {
            Shorthand::parse($typed);
        } catch (InvalidValue $e) {
            self::assertStringContainsString($reason, $e->getMessage());

            return;
        }
        self::fail($typed.' was read as a dose');
    }

    public function test_what_is_written_reads_back_to_the_same_dose(): void
    {
        $ms = Generators::choose(1000, 90_000);
        $measure = Generators::oneOf(
            Generators::map(static fn (array $p): Reps => new Reps(
                $p[0],
                $p[1] === '' ? null : Tempo::parse($p[1]),
                $p[2] === 0 ? null : Seconds::ofMs($p[2] * 500 + 1000),
            ),
                Generators::tuple(Generators::choose(1, 1000), Generators::elements('', '3-1-3-1', 'X-0-2-9'), Generators::choose(0, 20))),
            Generators::map(static fn (int $t): Hold => new Hold(Seconds::ofMs($t)), $ms),
            Generators::map(static fn (int $t): Work => new Work(Seconds::ofMs($t)), $ms),
            Generators::map(
                static fn (array $p): Intervals => new Intervals($p[0], Seconds::ofMs($p[1]), Seconds::ofMs($p[2])),
                Generators::tuple(Generators::choose(1, 50), $ms, $ms),
            ),
            Generators::map(
                static fn (array $p): Distance => new Distance($p[0], $p[1]),
                Generators::tuple(Generators::choose(1, 5000), Generators::elements(null, 0.05, 0.8, 5)),
            ),
        );
        $this->limitTo(300)->forAll(
            $measure,
            Generators::choose(1, 50),
            Generators::elements(null, Side::Each, Side::Alternate),
            Generators::elements(null, 0, 45, 3600),
            Generators::elements(null, 0, 12.5, 500),
            Generators::elements(null, 0.25, 0.5, 0.75, 1, '15', '45', '300'),
        )
            ->then(function ($measure, int $sets, ?Side $side, ?int $rest, int|float|null $load, int|float|string|null $range): void {
                $turns = $measure instanceof Reps || $measure instanceof Work;
                $side = $side === Side::Alternate && ! $turns ? Side::Each : $side;
                $dose = new Dose($measure, $sets, $side, $rest === null ? null : Seconds::of($rest), $load, match (true) {
                    $range === null => null,
                    is_string($range) => Range::cm((int) $range),
                    default => Range::share($range),
                });

                self::assertEquals($dose, Shorthand::parse(Shorthand::write($dose)), Shorthand::write($dose));
                self::assertEquals($dose, Shorthand::parse(Wording::of($dose)), Wording::of($dose));
            });
    }

    public function test_three_digit_tempo_is_refused_and_not_guessed(): void
    {
        foreach (['3-1-3', '3-1-x', '3-1-3-1-1', '3-1-3-12', '313', '3-1-3-x', "3-1-3-1\n", ''] as $tempo) {
            try {
                Tempo::parse($tempo);
                self::fail($tempo);
            } catch (InvalidValue $e) {
                self::assertStringContainsString('four parts', $e->getMessage());
            }
        }
    }
}
