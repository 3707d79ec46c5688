<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\UnknownName;

/**
 * A piece of kit in a figure: where it is, and what shape it is drawn as.
 */
final class Prop
{
    private const HANDS = 'hands';

    /**
     * @param  string|list<int|float>|null  $at  a joint, "hands" for the middle of both, or a place [x, y, z]
     * @param  string|list<int|float>|null  $to  the same, where the piece reaches from one to the other
     * @param  float  $size  radius or width, in hundredths of body height
     *
     * @throws InvalidValue when a joint is not known or the piece lacks a place
     */
    public function __construct(
        public readonly PropKind $kind,
        public readonly string|array|null $at,
        public readonly string|array|null $to,
        public readonly float $size,
    ) {
        foreach (['at' => $at, 'to' => $to] as $which => $place) {
            if (is_string($place) && $place !== self::HANDS && ! isset(Body::of(Angles::of([]))->points[$place])) {
                throw UnknownName::because(sprintf('the figure has no joint "%s"', $place));
            }
            if (is_array($place) && count($place) !== 3) {
                throw Contradiction::because(sprintf('"%s" of a %s is a joint or three numbers', $which, $kind->value));
            }
            if ($place === null && in_array($which, $kind->needs(), true)) {
                throw Contradiction::because(sprintf('a %s needs "%s"', $kind->value, $which));
            }
        }
    }

    /**
     * @param  Body  $first  the body at the start, for what stays where it was put
     * @return list<Shape>
     */
    public function shapes(Body $body, Body $first, View $view): array
    {
        $at = $this->place($this->at, $body);
        $to = $this->place($this->to, $body);
        $r = $this->size;

        return match ($this->kind) {
            PropKind::Wall => [Shape::line($view, new Vector($at->x, 0, $at->z), new Vector($at->x, 96, $at->z), 'fixed')],
            PropKind::Box => $this->bench($first, $view),
            PropKind::Ball => $this->ball($view, new Vector($at->x, $r, $at->z), [-0.6, 0.6], 'under'),
            PropKind::ThrowBall => $this->ball($view, $at, [0], 'round'),
            PropKind::Wheel => [
                Shape::line($view, $at->minus(new Vector(0, 0, 7)), $at->plus(new Vector(0, 0, 7)), 'kit'),
                Shape::disc($view, $at, $r, 'round'),
                Shape::around($view, $at, [[-0.7 * $r, -0.7 * $r], [0.7 * $r, 0.7 * $r]], 'round'),
                Shape::around($view, $at, [[-0.7 * $r, 0.7 * $r], [0.7 * $r, -0.7 * $r]], 'round'),
            ],
            PropKind::Weight => self::kettlebell($view, $at, $r),
            PropKind::Plate => [Shape::disc($view, $at, $r, 'kit'), Shape::disc($view, $at, $r / 3, 'hole')],
            PropKind::Cuff => [Shape::sleeve($view, $at, $this->before($body), $r)],
            PropKind::Bar => [
                Shape::line($view, $at->minus(new Vector(0, 0, 26)), $at->plus(new Vector(0, 0, 26)), 'kit'),
                Shape::disc($view, $at->minus(new Vector(0, 0, 24)), $r, 'round'),
                Shape::disc($view, $at->plus(new Vector(0, 0, 24)), $r, 'round'),
            ],
            PropKind::Rig => $this->rig($view, $at),
            PropKind::Stick => [Shape::line($view, $at, $to, 'kit')],
            PropKind::Strap => [
                Shape::line($view, $to->minus(new Vector(8, 0, 0)), $to->plus(new Vector(8, 0, 0)), 'fixed'),
                Shape::line($view, $at, $to, 'fixed'),
                Shape::disc($view, $at, 1.8, 'round'),
            ],
            PropKind::Band => [
                ...(is_array($this->to) ? [
                    Shape::line($view, new Vector($to->x, 0, $to->z), new Vector($to->x, $to->y + 3, $to->z), 'fixed'),
                    Shape::disc($view, $to, 1.6, 'kit'),
                ] : []),
                Shape::line($view, $at, $to, 'stretch'),
            ],
        };
    }

    /**
     * @param  list<float|int>  $seams  how far down each is, in radii
     * @param  'under'|'round'  $style
     * @return list<Shape>
     */
    private function ball(View $view, Vector $at, array $seams, string $style): array
    {
        $r = $this->size;

        return [Shape::disc($view, $at, $r, $style), ...array_map(static fn (float|int $seam): Shape => Shape::around(
            $view,
            $at,
            [[-0.8 * $r, $seam * $r], [0.8 * $r, $seam * $r]],
            $style,
        ), $seams)];
    }

    /** @return list<Shape> a handle in the hand and the bell below it, flat at its foot */
    private static function kettlebell(View $view, Vector $hand, float $r): array
    {
        return [
            Shape::around($view, $hand, [[-0.55 * $r, 0.0], [0.55 * $r, 0.0], [0.8 * $r, 0.9 * $r], [-0.8 * $r, 0.9 * $r]], 'round'),
            Shape::around($view, $hand, [
                [-0.5 * $r, 0.9 * $r], [0.5 * $r, 0.9 * $r], [$r, 1.5 * $r], [$r, 2.1 * $r], [0.6 * $r, 2.7 * $r], [-0.6 * $r, 2.7 * $r],
                [-$r, 2.1 * $r], [-$r, 1.5 * $r],
            ], 'kit'),
        ];
    }

    /** @return list<Shape> a bar to hang from, on two posts that begin above it */
    private function rig(View $view, Vector $at): array
    {
        [$left, $right] = [$at->minus(new Vector(0, 0, 22)), $at->plus(new Vector(0, 0, 22))];
        $up = new Vector(0, 8, 0);

        return [
            Shape::line($view, $left, $left->plus($up), 'fixed'),
            Shape::line($view, $right, $right->plus($up), 'fixed'),
            Shape::line($view, $left, $right, 'fixed'),
        ];
    }

    /** The joint before the one where it sits. */
    private function before(Body $body): Vector
    {
        $joint = is_string($this->at) ? $this->at : '';
        $from = str_replace(['hand', 'ankle'], ['elbow', 'knee'], $joint);

        return $body->point(isset($body->points[$from]) ? $from : 'pelvis');
    }

    /** @return list<Shape> a seat on two legs */
    private function bench(Body $first, View $view): array
    {
        $at = $this->place($this->at, $first);
        $radius = is_string($this->at) ? Body::radius($this->at) : 0;
        $top = $at->y - $radius;
        $a = $view->project(new Vector($at->x - $this->size / 2, $top, $at->z));
        $b = $view->project(new Vector($at->x + $this->size / 2, 0, $at->z));
        [$x, $y, $width, $height] = [$a[0], $a[1], $b[0] - $a[0], $b[1] - $a[1]];
        $legs = [$x + 3.0, $x + $width - 3.0];

        return [
            ...array_map(static fn (float $leg): Shape => new Shape('line', 'fixed', [$leg, $y, $leg, $y + $height]), $legs),
            new Shape('box', 'fixed', [$x, $y, $width, min(4.0, $height)]),
        ];
    }

    /** @param  string|list<int|float>|null  $place */
    private function place(string|array|null $place, Body $body): Vector
    {
        return match (true) {
            is_array($place) => new Vector((float) $place[0], (float) $place[1], (float) $place[2]),
            $place === self::HANDS => $body->point('hand-r')->plus($body->point('hand-l'))->times(0.5),
            $place === null => new Vector(0, 0, 0),
            default => $body->point($place),
        };
    }
}
