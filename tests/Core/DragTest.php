<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Figure\Angles;
use EvenRungs\Core\Figure\Drag;
use EvenRungs\Core\Figure\Figure;
use EvenRungs\Core\Figure\Movement;
use EvenRungs\Core\InvalidValue;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * A joint that is drawn to another place on the figure.
 */
final class DragTest extends TestCase
{
    use TestTrait;

    private const NEAR = 1.5;

    /** @return array{float, float} */
    private static function seen(Figure $figure, string $joint, bool $ofEnd): array
    {
        $movement = new Movement($figure);

        return $figure->view()->project(($ofEnd ? $movement->furthest() : $movement->first())->point($joint));
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     */
    private static function apart(array $a, array $b): float
    {
        return hypot($a[0] - $b[0], $a[1] - $b[1]);
    }

    /** Angles that each joint is carried by, and how far each is turned here to find a place that the joint can come to. */
    private const LIMBS = [
        'hand' => ['shoulder', 'shoulder-out', 'elbow'],
        'elbow' => ['shoulder', 'shoulder-out'],
        'ankle' => ['hip', 'hip-out', 'knee'],
        'knee' => ['hip', 'hip-out'],
        'toe' => ['ankle'],
    ];

    public function test_a_joint_comes_to_wherever_its_limb_can_bring_it(): void
    {
        $figures = array_map(static fn ($rung): Figure => $rung->figure(), Documents::data()->library()->rungs());
        $tried = $there = 0;
        $this->limitTo(120)->forAll(
            Generators::elements(...$figures),
            Generators::elements(...array_keys(self::LIMBS)),
            Generators::elements('-r', '-l'),
            Generators::vector(3, Generators::choose(-25, 25)),
        )->disableShrinking()->then(static function (
            Figure $figure,
            string $limb,
            string $side,
            array $by,
        ) use (&$tried, &$there): void {
            if (in_array($limb.$side, $figure->planted, true)) {
                return;
            }
            $angles = $figure->base->angles->with($figure->with);
            $turned = [];
            foreach (self::LIMBS[$limb] as $i => $angle) {
                [$least, $most] = Angles::LIMB[$angle];
                $turned[$angle.$side] = max($least, min($most, $angles->get($angle.$side) + $by[$i]));
            }
            $to = self::seen($figure->posed($figure->with->with(Angles::of($turned)), $figure->to), $limb.$side, false);
            $now = self::apart(self::seen($figure, $limb.$side, false), $to);
            $after = (new Drag($figure, $limb.$side, false, false))->to($to);
            $left = self::apart(self::seen($after, $limb.$side, false), $to);

            self::assertLessThanOrEqual($now + 0.001, $left, 'never further off than it was');
            self::assertEquals($after->with, Angles::of($after->with->toArray()), 'reading refuses what no joint can do');
            self::assertEquals($figure->to, $after->to, 'the other pose keeps its own angles');
            $tried++;
            $there += $left < max(self::NEAR, 0.2 * $now) ? 1 : 0;
        });
        fprintf(STDERR, "\nDragged joints that came where they were drawn: %d of %d\n", $there, $tried);
        self::assertGreaterThan(0.85 * $tried, $there);
    }

    public function test_whatever_pose_an_arm_and_a_leg_have_a_drag_finds_it(): void
    {
        $standing = new Figure(Documents::data()->poses()['standing'], Angles::of([]), [], false, false, [], []);
        $this->limitTo(40)->forAll(
            Generators::choose(-40, 170),
            Generators::choose(0, 140),
            Generators::elements('hand-r', 'hand-l'),
        )->then(static function (int $lifts, int $bends, string $hand) use ($standing): void {
            $meant = $standing->posed(Angles::of(['shoulder' => $lifts, 'elbow' => $bends]), []);
            $to = self::seen($meant, $hand, false);
            $dragged = (new Drag($standing, $hand, false, true))->to($to);
            self::assertLessThan(self::NEAR, self::apart(self::seen($dragged, $hand, false), $to));
        });
    }

    public function test_the_other_side_follows_where_both_are_alike_and_stays_where_not(): void
    {
        $standing = new Figure(Documents::data()->poses()['standing'], Angles::of([]), [], false, false, [], []);
        $forward = self::seen($standing->posed(Angles::of(['shoulder' => 90]), []), 'hand-l', false);
        $both = (new Drag($standing, 'hand-l', false, true))->to($forward);
        $one = (new Drag($standing, 'hand-l', false, false))->to($forward);

        self::assertEqualsWithDelta($both->with->get('shoulder-l'), $both->with->get('shoulder-r'), 0.001);
        self::assertSame(0.0, $one->with->get('shoulder-r'));
        self::assertLessThan(self::NEAR, self::apart(self::seen($one, 'hand-l', false), $forward));
    }

    public function test_what_is_planted_stays_and_what_cannot_be_dragged_is_named(): void
    {
        $plank = new Figure(Documents::data()->poses()['hands-plank'], Angles::of([]), [], false, false, ['hand-r'], []);
        $lifted = self::seen((new Drag($plank, 'pelvis', false, true))->to([0.0, -60.0]), 'pelvis', false);
        self::assertLessThan(self::seen($plank, 'pelvis', false)[1] - 5, $lifted[1], 'the hips go up');
        $reaching = $plank->posed($plank->with, [Angles::of(['hip-l' => -10])]);
        self::assertSame($reaching, (new Drag($reaching, 'hand-r', true, false))->to([0.0, -60.0]), 'a planted hand is not drawn away');

        foreach ([['shoulder-r', false], ['hand', false], ['hand-r', true]] as [$joint, $ofEnd]) {
            try {
                new Drag($plank, $joint, $ofEnd, true);
                self::fail("$joint was dragged");
            } catch (InvalidValue $e) {
                self::assertNotSame('', $e->sentence);
            }
        }
    }
}
