<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * A point or a direction in space: x forward, y up, z to the right of a person who stands and looks along x.
 * Lengths are hundredths of the body's height.
 */
final class Vector
{
    public function __construct(public readonly float $x, public readonly float $y, public readonly float $z)
    {
    }

    public function plus(self $other): self
    {
        return new self($this->x + $other->x, $this->y + $other->y, $this->z + $other->z);
    }

    public function minus(self $other): self
    {
        return $this->plus($other->times(-1));
    }

    public function times(float $factor): self
    {
        return new self($this->x * $factor, $this->y * $factor, $this->z * $factor);
    }

    public function dot(self $other): float
    {
        return $this->x * $other->x + $this->y * $other->y + $this->z * $other->z;
    }

    public function cross(self $other): self
    {
        return new self(
            $this->y * $other->z - $this->z * $other->y,
            $this->z * $other->x - $this->x * $other->z,
            $this->x * $other->y - $this->y * $other->x,
        );
    }

    public function length(): float
    {
        return sqrt($this->dot($this));
    }

    public function distanceTo(self $other): float
    {
        return $this->minus($other)->length();
    }

    /** The same direction at length 1; of no length, up. */
    public function unit(): self
    {
        $length = $this->length();

        return $length < 1e-9 ? new self(0, 1, 0) : $this->times(1 / $length);
    }

    /**
     * Turned about an axis, anticlockwise as seen from the axis' tip.
     *
     * @param  self  $axis  of length 1
     */
    public function turned(self $axis, float $degrees): self
    {
        $angle = deg2rad($degrees);

        return $this->times(cos($angle))
            ->plus($axis->cross($this)->times(sin($angle)))
            ->plus($axis->times($axis->dot($this) * (1 - cos($angle))));
    }
}
