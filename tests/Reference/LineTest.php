<?php

declare(strict_types=1);

namespace Tests\Reference;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Review\Line\FloorRange;
use EvenRungs\Core\Review\Line\JudgedLine;
use EvenRungs\Core\Review\Line\LineJudge;
use EvenRungs\Core\Review\Line\Marks;
use EvenRungs\Core\Review\Line\Spot;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * The line in a picture against triangles worked by hand, the law of cosines (Euclid, Elements II.12–13), and what must not matter: which
 * way the head lies, where the body lies in the picture and how large it is.
 */
final class LineTest extends TestCase
{
    private const RANDOM = 10_000;

    /** @return iterable<string, array{string, array<string, array{float, float}>, array<string, array{float, float, ?string}>, ?float}> */
    public static function workedByHand(): iterable
    {
        yield 'all on one line' => [
            'forearm-plank', ['shoulder' => [0, 0], 'hip' => [60, 15], 'knee' => [100, 25], 'ankle' => [140, 35]],
            ['hip' => [180, 0, null], 'knee' => [180, 0, null]], 0,
        ];
        // two triangles 3-4-5 back to back: the angle is twice atan(4/3)
        yield 'hip over the line' => [
            'forearm-plank', ['shoulder' => [-4, 3], 'hip' => [0, 0], 'knee' => [4, 3]], ['hip' => [106.3, 73.7, 'hips-pike']], 37.5,
        ];
        yield 'hip under the line' => [
            'forearm-plank', ['shoulder' => [-4, -3], 'hip' => [0, 0], 'knee' => [4, -3]], ['hip' => [106.3, -73.7, 'hips-sag']], -37.5,
        ];
        // a tenth of the length under the line, in the middle: 180 - 2 atan(20/100) on each side
        yield 'a tenth under' => [
            'hands-plank', ['shoulder' => [-100, -20], 'hip' => [0, 0], 'ankle' => [100, -20]], ['hip' => [157.4, -22.6, 'hips-sag']], -10,
        ];
        // a right angle at the knee, a thigh in line with the trunk; the hip is 5625/28125 of the length off
        yield 'bridge' => [
            'bridge-hold', ['shoulder' => [0, 100], 'hip' => [60, 55], 'knee' => [120, 10], 'ankle' => [165, 70]],
            ['hip' => [180, 0, null], 'knee' => [90, 90, null]], 20,
        ];
        // atan(12/35) under the horizontal to both sides
        yield 'bridge too high' => [
            'bridge', ['shoulder' => [-35, 12], 'hip' => [0, 0], 'knee' => [35, 12]], ['hip' => [142.2, 37.8, 'back-arches']], 17.1,
        ];
    }

    /**
     * @param  array<string, array{float, float}>  $points
     * @param  array<string, array{float, float, ?string}>  $angles  degrees, off, fault
     */
    #[DataProvider('workedByHand')]
    public function test_triangles_worked_by_hand(string $rung, array $points, array $angles, ?float $drop): void
    {
        $line = self::judge($rung, $points);
        $found = [];
        foreach ($line->angles as $angle) {
            $found[$angle->joint] = [$angle->degrees, $angle->off, $angle->fault()];
        }
        self::assertEquals($angles, $found);
        self::assertEquals($drop, $line->dropPercent);
    }

    public function test_ten_thousand_bodies_by_the_law_of_cosines_whichever_way_they_lie(): void
    {
        $chance = new Randomizer(new Mt19937($seed = random_int(1, 1_000_000_000)));
        $length = static fn (array $a, array $b): float => hypot($a[0] - $b[0], $a[1] - $b[1]);
        for ($i = 0; $i < self::RANDOM; $i++) {
            $points = [];
            foreach (['shoulder', 'hip', 'knee', 'ankle'] as $n => $name) {
                $points[$name] = [300 * $n + $chance->getInt(-80000, 80000) / 1000, 500 + $chance->getInt(-150000, 150000) / 1000];
            }
            $line = self::judge('forearm-plank', $points);
            foreach ($line->angles as $angle) {
                [$at, $head, $foot] = $angle->joint === 'hip' ? ['hip', 'shoulder', 'knee'] : ['knee', 'hip', 'ankle'];
                [$a, $b, $c] = [
                    $length($points[$at], $points[$head]), $length($points[$at], $points[$foot]), $length($points[$head], $points[$foot]),
                ];
                $degrees = rad2deg(acos(max(-1.0, min(1.0, ($a ** 2 + $b ** 2 - $c ** 2) / (2 * $a * $b)))));
                self::assertEqualsWithDelta($degrees, $angle->degrees, 0.051, "seed {$seed}");
                self::assertEqualsWithDelta(180.0, $angle->degrees + abs($angle->off), 1e-9, "seed {$seed}");
            }
            [$scale, $right, $down] = [$chance->getInt(200, 5000) / 1000, $chance->getInt(-400, 400), $chance->getInt(-400, 400)];
            foreach ([1, -1] as $way) {
                $moved = array_map(static fn (array $p): array => [$way * $scale * $p[0] + $right, $scale * $p[1] + $down], $points);
                self::assertTrue(self::isSame($line, self::judge('forearm-plank', $moved)), "seed {$seed}, body {$i}");
            }
        }
    }

    public function test_the_borders_of_what_is_meant_belong_to_it(): void
    {
        $hip = Documents::data()->library()->rung('forearm-plank')->line?->of('hip');
        self::assertNotNull($hip);
        self::assertSame(
            ['hips-sag', null, null, 'hips-pike'],
            array_map($hip->fault(...), [-5.1, -5.0, 15.0, 15.1]),
        );
        $knee = Documents::data()->library()->rung('forearm-plank')->line?->of('knee');
        self::assertNotNull($knee);
        self::assertSame([false, true, true, false], array_map($knee->isWithin(...), [-8.1, -8.0, 8.0, 8.1]));
        self::assertNull(Documents::data()->library()->rung('knee-plank')->line?->of('knee'), 'knees are bent there');
    }

    /** @return iterable<string, array{float, float, list<string>}> */
    public static function levels(): iterable
    {
        // 1000 times the tangent of the angle
        yield 'level' => [34.9, 2.0, []];
        yield 'too close to call' => [69.9, 4.0, []];
        yield 'one side hangs' => [71.7, 4.1, ['hip-drops-one-side']];
        yield 'steep' => [-750, 36.9, ['hip-drops-one-side']];
    }

    /** @param  list<string>  $faults */
    #[DataProvider('levels')]
    public function test_hips_from_behind(float $rise, float $tilt, array $faults): void
    {
        foreach ([1, -1] as $way) {
            $marks = Marks::none()->withLevel(new Spot(0, 0), new Spot(1000, $way * $rise));
            $line = LineJudge::judge(Documents::data()->library()->rung('bird-dog-opposite'), $marks);
            self::assertSame([$tilt, $faults], [$line->tilt, $line->faults]);
        }
    }

    public function test_a_line_that_leans_over_sixty_degrees_is_not_judged(): void
    {
        $upright = self::judge('wall-plank', ['shoulder' => [100, 0], 'hip' => [60, 110], 'knee' => [30, 200], 'ankle' => [0, 300]]);
        self::assertSame([[], null, ['hip', 'knee'], []], [$upright->angles, $upright->dropPercent, $upright->notJudged, $upright->faults]);
        self::assertFalse($upright->isOff());
        $leaning = self::judge('wall-plank', ['shoulder' => [200, 0], 'hip' => [140, 110], 'knee' => [80, 200], 'ankle' => [0, 300]]);
        self::assertCount(2, $leaning->angles);
    }

    public function test_what_is_no_line_is_refused(): void
    {
        foreach ([
            ['shoulder' => [0, 0], 'hip' => [1, 1]],
            ['ear' => [0, 0], 'hip' => [1, 1], 'knee' => [2, 2]],
            ['shoulder' => [0, 0], 'hip' => [0, 0], 'knee' => [2, 2]],
            ['shoulder' => [0, 0], 'hip' => [1, 1], 'knee' => [0, 0]],
            ['shoulder' => [0, 0], 'hip' => [1, 1], 'knee' => [2, 2], 'ankle' => [2, 2]],
        ] as $i => $points) {
            try {
                self::judge('forearm-plank', $points);
                self::fail("no {$i} was judged");
            } catch (InvalidValue $e) {
                self::assertNotSame('', $e->sentence);
            }
        }
    }

    public function test_nothing_is_ever_said_of_the_low_back(): void
    {
        foreach (Documents::data()->library()->rungs() as $rung) {
            foreach (($rung->line->joints ?? []) === [] ? [] : [-60, -7, 0, 12, 60] as $y) {
                $points = ['shoulder' => [0, 0], 'hip' => [100, $y], 'knee' => [200, 0], 'ankle' => [290, 9]];
                $said = implode(' ', self::judge($rung->id, $points)->text);
                self::assertDoesNotMatchRegularExpression('/back|arch|spine|lordos/i', $said);
            }
        }
    }

    public function test_a_range_over_the_floor_by_like_triangles(): void
    {
        $way = static fn (float ...$at): array => [new Spot($at[0], $at[1]), new Spot($at[2], $at[3])];
        $mat = $way(100, 400, 466, 400);
        self::assertSame(61, FloorRange::cm(183, $mat, $way(200, 380, 322, 380)), 'a third of 183');
        self::assertSame(61, FloorRange::cm(183, $mat, $way(322, 380, 200, 380)), 'whichever end came first');
        // 3-4-5: a stick of a metre over 500 pixels, and half of it
        self::assertSame(50, FloorRange::cm(100, $way(0, 0, 300, 400), $way(10, 10, 160, 210)));
        foreach ([
            [$mat, $way(200, 380, 200, 380)], [$mat, $way(200, 380, 200, 300)], [$way(0, 0, 10, 0), $way(0, 50, 900, 50)],
        ] as [$known, $went]) {
            try {
                FloorRange::cm(183, $known, $went);
                self::fail('it was measured');
            } catch (InvalidValue $e) {
                self::assertNotSame('', $e->sentence);
            }
        }
    }

    /** @param  array<string, array{float, float}>  $points */
    private static function judge(string $rung, array $points): JudgedLine
    {
        return LineJudge::judge(
            Documents::data()->library()->rung($rung),
            Marks::fromSide(array_map(static fn (array $point): Spot => new Spot(...$point), $points)),
        );
    }

    /** The same numbers but for the last tenth, on which rounding may fall either way. */
    private static function isSame(JudgedLine $a, JudgedLine $b): bool
    {
        foreach ($a->angles as $i => $angle) {
            if (abs($angle->off - ($b->angles[$i]->off ?? 999)) > 0.11) {
                return false;
            }
        }

        return count($a->angles) === count($b->angles) && abs(($a->dropPercent ?? 999) - ($b->dropPercent ?? 999)) < 0.11;
    }
}
