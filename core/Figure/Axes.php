<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * Which way a part of the body faces: its own forward, up (toward the head) and right.
 */
final class Axes
{
    private function __construct(
        public readonly Vector $forward,
        public readonly Vector $up,
        public readonly Vector $right,
    ) {
    }

    /** As of a person who stands and looks along x. */
    public static function standing(): self
    {
        return new self(new Vector(1, 0, 0), new Vector(0, 1, 0), new Vector(0, 0, 1));
    }

    /**
     * Leant and turned in its own axes, in degrees.
     *
     * @param  float  $bend  forward is positive
     * @param  float  $side  to the right is positive
     * @param  float  $twist  to the left is positive
     */
    public function moved(float $bend, float $side, float $twist): self
    {
        return $this->turned($this->up, $twist)->turnedOwn('forward', $side)->turnedOwn('right', -$bend);
    }

    public function turned(Vector $axis, float $degrees): self
    {
        return new self($this->forward->turned($axis, $degrees), $this->up->turned($axis, $degrees), $this->right->turned($axis, $degrees));
    }

    private function turnedOwn(string $axis, float $degrees): self
    {
        return $this->turned($axis === 'forward' ? $this->forward : $this->right, $degrees);
    }
}
