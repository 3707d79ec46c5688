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

        return match ($this->kind) {
            PropKind::Wall => [Shape::line($view, new Vector($at->x, 0, $at->z), new Vector($at->x, 96, $at->z), 'fixed')],
            PropKind::Box => [$this->box($first, $view)],
            PropKind::Ball => [Shape::disc($view, new Vector($at->x, $this->size, $at->z), $this->size, 'round')],
            PropKind::Wheel => [Shape::disc($view, $at, $this->size, 'kit')],
            PropKind::Weight => [
                Shape::line($view, $at, $at->minus(new Vector(0, 4, 0)), 'kit'),
                Shape::disc($view, $at->minus(new Vector(0, 5.5, 0)), $this->size, 'kit'),
            ],
            PropKind::Plate, PropKind::ThrowBall => [
                Shape::disc($view, $at, $this->size, $this->kind === PropKind::Plate ? 'kit' : 'round'),
            ],
            PropKind::Cuff => [Shape::disc($view, $at, $this->size, 'kit')],
            PropKind::Bar => [
                Shape::line($view, $at->minus(new Vector(0, 0, 26)), $at->plus(new Vector(0, 0, 26)), 'kit'),
                Shape::disc($view, $at->minus(new Vector(0, 0, 24)), $this->size, 'round'),
                Shape::disc($view, $at->plus(new Vector(0, 0, 24)), $this->size, 'round'),
            ],
            PropKind::Stick => [Shape::line($view, $at, $to, 'kit')],
            PropKind::Strap => [Shape::line($view, $at, $to, 'fixed')],
            PropKind::Band => [
                Shape::line($view, $at, $to, 'stretch'),
                Shape::disc($view, is_array($this->to) ? $to : $at, 1.6, 'kit'),
            ],
        };
    }

    private function box(Body $first, View $view): Shape
    {
        $at = $this->place($this->at, $first);
        $radius = is_string($this->at) ? Body::radius($this->at) : 0;
        $top = $at->y - $radius;
        $a = $view->project(new Vector($at->x - $this->size / 2, $top, $at->z));
        $b = $view->project(new Vector($at->x + $this->size / 2, 0, $at->z));

        return new Shape('box', 'fixed', [$a[0], $a[1], $b[0] - $a[0], $b[1] - $a[1]]);
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
