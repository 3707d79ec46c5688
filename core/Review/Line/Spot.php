<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Line;

/**
 * A place in a picture: pixels, y downward.
 */
final class Spot
{
    public function __construct(public readonly float $x, public readonly float $y)
    {
    }

    public function isOn(self $other): bool
    {
        return $this->x === $other->x && $this->y === $other->y;
    }

    /** The angle between the ways to two others, 0 to 180 degrees. */
    public function between(self $a, self $b): float
    {
        [$ax, $ay, $bx, $by] = [$a->x - $this->x, $a->y - $this->y, $b->x - $this->x, $b->y - $this->y];

        return rad2deg(atan2(abs($ax * $by - $ay * $bx), $ax * $bx + $ay * $by));
    }

    /** How much the line to another leans from the horizontal, 0 to 90 degrees. */
    public function lean(self $other): float
    {
        return rad2deg(atan2(abs($other->y - $this->y), abs($other->x - $this->x)));
    }

    /** Whether it lies above the line through two others, which is not upright, at the same x. */
    public function isAbove(self $a, self $b): bool
    {
        return $this->y < $a->y + ($b->y - $a->y) * ($this->x - $a->x) / ($b->x - $a->x);
    }

    /** How far it lies from the line through two others, in per cent of the length between them. */
    public function percentFrom(self $a, self $b): float
    {
        [$x, $y] = [$b->x - $a->x, $b->y - $a->y];

        return 100 * abs($x * ($this->y - $a->y) - $y * ($this->x - $a->x)) / ($x * $x + $y * $y);
    }
}
