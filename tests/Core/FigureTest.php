<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Figure\Angles;
use EvenRungs\Core\Figure\Body;
use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Core\Figure\Figure;
use EvenRungs\Core\Figure\Movement;
use EvenRungs\Core\Figure\Rest;
use EvenRungs\Core\Figure\Vector;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Every figure of the library at every moment it is drawn. Lengths are hundredths of body height.
 */
final class FigureTest extends TestCase
{
    /** A foot that turns on its ball, in hundredths of body height. */
    private const SLIDES = 2.5;

    private const CLOSE = 1.0;

    /** @return iterable<string, array{Rung}> */
    public static function rungs(): iterable
    {
        foreach (Documents::data()->library()->rungs() as $rung) {
            yield $rung->id => [$rung];
        }
    }

    #[DataProvider('rungs')]
    public function test_limbs_keep_their_length_nothing_passes_the_floor_and_what_is_planted_stays(Rung $rung): void
    {
        $figure = $rung->figure();
        $movement = new Movement($figure);
        foreach ($movement->ways() as $w => $way) {
            foreach ($way as $i => $body) {
                $at = sprintf('%s, way %d, picture %d', $rung->id, $w, $i);
                $this->assertLengths($body, $at);
                foreach ($body->points as $joint => $point) {
                    self::assertGreaterThan(Body::radius($joint) - self::CLOSE, $point->y + 0.05, $at.': '.$joint.' passes the floor');
                }
                $this->assertStays($figure, $movement->first(), $body, $figure->mirrored && $w >= count($figure->to) * 2, $at);
            }
        }
    }

    public function test_every_rung_has_a_picture_of_its_start_and_another_of_its_end(): void
    {
        foreach (self::rungs() as $id => [$rung]) {
            $pictures = Drawing::ends($rung->figure())->pictures;
            self::assertCount(2, $pictures, $id);
            self::assertNotEquals($pictures[0]->points, $pictures[1]->points, $id);
            $from = $rung->figure()->from;
            if ($from !== null) {
                $body = (new Movement($from))->first();
                $this->assertLengths($body, $id.', before it is held');
                foreach ($body->points as $joint => $point) {
                    self::assertGreaterThan(Body::radius($joint) - self::CLOSE, $point->y + 0.05, "{$id}, before it is held: {$joint}");
                }
            }
        }
    }

    /** What goes along on purpose: walking, feet on sliders, wheels and balls, forearms in the place of hands. */
    private const GO_ALONG =
        '/^(?:carry-|body-saw$|plank-up-downs$|rollout-|forearm-slide$|ball-knee-tuck$|plank-ball-circles$)/';

    /** @return iterable<string, array{Rung}> */
    public static function rungsThatStay(): iterable
    {
        foreach (self::rungs() as $id => $case) {
            if (preg_match(self::GO_ALONG, $id) !== 1) {
                yield $id => $case;
            }
        }
    }

    #[DataProvider('rungsThatStay')]
    public function test_hands_elbows_knees_and_feet_that_bear_weight_throughout_do_not_slide(Rung $rung): void
    {
        $movement = new Movement($rung->figure());
        $raised = array_filter($rung->figure()->rests(), static fn (Rest $rest): bool => $rest->height > 0);
        $raised = array_map(static fn (Rest $rest): string => $rest->joint, $raised);
        foreach (array_slice($movement->ways(), 0, 2 * max(1, count($rung->figure()->to))) as $way) {
            foreach (['hand', 'elbow', 'knee', 'ankle', 'toe'] as $name) {
                foreach (["{$name}-r", "{$name}-l"] as $joint) {
                    $bears = static fn (Body $body): bool => in_array($joint, $raised, true)
                        || $body->point($joint)->y < Body::LIMB_RADIUS + 1;
                    if (array_filter($way, static fn (Body $body): bool => ! $bears($body)) === []) {
                        [$a, $b] = [$way[0]->point($joint), $way[count($way) - 1]->point($joint)];
                        self::assertLessThan(self::SLIDES, hypot($a->x - $b->x, $a->z - $b->z), "{$rung->id}: {$joint} slides");
                    }
                }
            }
        }
        // somebody who hangs or lies bears weight on none of them
        $this->addToAssertionCount(1);
    }

    private function assertLengths(Body $body, string $at): void
    {
        foreach (Body::LENGTHS as $pair => $length) {
            [$from, $to] = explode('-', $pair);
            foreach (['-r', '-l'] as $side) {
                $a = $body->points[$from] ?? $body->points[$from.$side];
                $b = $body->points[$to] ?? $body->points[$to.$side];
                self::assertEqualsWithDelta($length, $a->distanceTo($b), 0.01, $at.': '.$pair.$side);
            }
        }
    }

    private function assertStays(Figure $figure, Body $first, Body $body, bool $mirrored, string $at): void
    {
        $other = static fn (string $joint): string => $mirrored ? strtr($joint, ['-r' => '-l', '-l' => '-r']) : $joint;
        foreach ($figure->planted as $end) {
            $place = $first->point($end);
            $place = $mirrored ? new Vector($place->x, $place->y, -$place->z) : $place;
            self::assertLessThan(self::CLOSE, $place->distanceTo($body->point($other($end))), $at.': '.$end.' moves');
        }
        foreach ($figure->rests() as $rest) {
            self::assertEqualsWithDelta(
                $rest->level(),
                $body->point($other($rest->joint))->y,
                self::CLOSE,
                $at.': does not rest on '.$rest->joint,
            );
        }
    }

    #[DataProvider('rungs')]
    public function test_an_exercise_of_repetitions_moves_as_long_as_its_tempo_says(Rung $rung): void
    {
        $drawing = Drawing::of($rung->figure(), $rung->tempo);
        if ($rung->tempo === null) {
            self::assertNotSame([], $drawing->pictures);

            return;
        }
        $seconds = array_sum(array_column($drawing->beats, 'seconds'));
        $reps = count($rung->figure()->to) * ($rung->figure()->mirrored ? 2 : 1);
        self::assertEqualsWithDelta($reps * $rung->tempo->rep()->toNumber(), $seconds, 0.01);
    }

    public function test_a_right_angle_is_a_right_angle(): void
    {
        $body = Body::of(Angles::of(['hip-r' => 90, 'knee-r' => 90, 'shoulder-l' => 180, 'elbow-l' => 0]));

        self::assertEqualsWithDelta([24.5, 0.0], [$body->point('knee-r')->x, $body->point('knee-r')->y], 0.001, 'the thigh is level');
        self::assertEqualsWithDelta(-24.5, $body->point('ankle-r')->y, 0.001, 'the shin hangs');
        self::assertEqualsWithDelta(29.0 + 31.5, $body->point('hand-l')->y, 0.001, 'the arm points up');
    }

    public function test_a_joint_that_cannot_do_it_is_refused_by_name(): void
    {
        $this->expectException(InvalidValue::class);
        $this->expectExceptionMessage('angle "knee-r"');
        Angles::of(['knee-r' => 170]);
    }
}
