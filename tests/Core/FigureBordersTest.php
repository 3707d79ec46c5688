<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Figure\Angles;
use EvenRungs\Core\Figure\Body;
use EvenRungs\Core\Figure\Vector;
use EvenRungs\Core\InvalidValue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * How far a drawn joint goes. Wider than the usual range of a person (hip flexion 120°, knee 135°, elbow 150°, shoulder 180°: American
 * Academy of Orthopaedic Surgeons 1965, from memory), since a drawing also turns the trunk; house rule.
 */
final class FigureBordersTest extends TestCase
{
    /** @return iterable<array{string, int, int}> degrees */
    public static function joints(): iterable
    {
        yield ['pitch', -180, 180];
        yield ['roll', -180, 180];
        yield ['turn', -180, 180];
        yield ['spine', -60, 110];
        yield ['spine-side', -60, 60];
        yield ['spine-twist', -80, 80];
        yield ['neck', -60, 70];
        yield ['neck-side', -60, 60];
        yield ['hip', -50, 150];
        yield ['hip-out', -45, 90];
        yield ['hip-turn', -90, 90];
        yield ['knee', 0, 155];
        yield ['ankle', -50, 90];
        yield ['shoulder', -80, 215];
        yield ['shoulder-out', -70, 180];
        yield ['shoulder-turn', -180, 180];
        yield ['elbow', 0, 155];
    }

    #[DataProvider('joints')]
    public function test_a_joint_goes_so_far_and_no_further(string $joint, int $least, int $most): void
    {
        foreach ([$least, $most] as $degrees) {
            self::assertContains((float) $degrees, Angles::of([$joint => $degrees])->toArray());
        }
        foreach ([$least - 1, $most + 1] as $degrees) {
            try {
                Angles::of([$joint => $degrees]);
                self::fail($joint.' went to '.$degrees);
            } catch (InvalidValue $e) {
                self::assertSame(sprintf('angle "%s" is %d; it must be from %d to %d', $joint, $degrees, $least, $most), $e->sentence);
            }
        }
    }

    public function test_a_limb_is_named_with_its_side_or_for_both(): void
    {
        self::assertEquals(['knee-r' => 90, 'knee-l' => 90], Angles::of(['knee' => 90])->toArray());
        self::assertEquals(['knee-l' => 90], Angles::of(['knee-l' => 90])->toArray());
        foreach (['pitch-r', 'tail', 'knee-x'] as $name) {
            try {
                Angles::of([$name => 0]);
                self::fail($name.' was known');
            } catch (InvalidValue $e) {
                self::assertSame(sprintf('there is no angle "%s"', $name), $e->sentence);
            }
        }
    }

    public function test_a_direction_has_length_one_and_none_points_up(): void
    {
        $unit = (new Vector(3, 4, 0))->unit();
        self::assertEqualsWithDelta([0.6, 0.8, 0.0], [$unit->x, $unit->y, $unit->z], 1e-12);
        $none = (new Vector(0, 0, 0))->unit();
        self::assertSame([0.0, 1.0, 0.0], [(float) $none->x, (float) $none->y, (float) $none->z]);
        self::assertEqualsWithDelta(1.0, (new Vector(0, 0, 1e-6))->unit()->length(), 1e-12);
        self::assertGreaterThan(0, Body::radius('head'));
        self::assertSame(Body::radius('knee-r'), Body::radius('knee-l'));
    }
}
