<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;
use EvenRungs\Core\UnknownName;

/**
 * The joint angles of a pose, in degrees. What is not given is 0: a person who stands with hanging arms.
 *
 * An angle of a limb is named with its side ("hip-r", "elbow-l"), or without one for both sides.
 */
final class Angles
{
    /** Least and most, in degrees. */
    public const TRUNK = [
        'pitch' => [-180, 180],
        'roll' => [-180, 180],
        'turn' => [-180, 180],
        'spine' => [-60, 110],
        'spine-side' => [-60, 60],
        'spine-twist' => [-80, 80],
        'neck' => [-60, 70],
        'neck-side' => [-60, 60],
    ];

    public const LIMB = [
        'hip' => [-50, 150],
        'hip-out' => [-45, 90],
        'hip-turn' => [-90, 90],
        'knee' => [0, 155],
        'ankle' => [-50, 90],
        'shoulder' => [-80, 215],
        'shoulder-out' => [-70, 180],
        'shoulder-turn' => [-180, 180],
        'elbow' => [0, 155],
    ];

    /** @param  array<string, float>  $degrees  limbs by side */
    private function __construct(private readonly array $degrees)
    {
    }

    /**
     * @param  array<string, int|float>  $degrees
     *
     * @throws InvalidValue when an angle is not known or outside what a joint can do
     */
    public static function of(array $degrees): self
    {
        $known = [];
        foreach ($degrees as $name => $value) {
            $side = preg_match('/-[rl]$/', $name) === 1 ? substr($name, -2) : '';
            $joint = $side === '' ? $name : substr($name, 0, -2);
            $range = $side === '' ? self::TRUNK[$name] ?? self::LIMB[$name] ?? null : self::LIMB[$joint] ?? null;
            if ($range === null) {
                throw UnknownName::because(sprintf('there is no angle "%s"', $name));
            }
            if ($value < $range[0] || $value > $range[1]) {
                throw OutOfRange::outside(sprintf('angle "%s"', $name), $value, $range[0], $range[1]);
            }
            foreach (isset(self::LIMB[$joint]) && $side === '' ? ['-r', '-l'] : [$side] as $each) {
                $known[$joint.$each] = (float) $value;
            }
        }

        return new self($known);
    }

    public function get(string $name): float
    {
        return $this->degrees[$name] ?? 0.0;
    }

    /** These angles with others in their place where others are given. */
    public function with(self $others): self
    {
        return new self([...$this->degrees, ...$others->degrees]);
    }

    /** Part of the way to another pose. */
    public function toward(self $other, float $share): self
    {
        $between = [];
        foreach (array_keys([...$this->degrees, ...$other->degrees]) as $name) {
            $between[$name] = $this->get($name) + $share * ($other->get($name) - $this->get($name));
        }

        return new self($between);
    }

    /** @return array<string, float> */
    public function toArray(): array
    {
        return $this->degrees;
    }
}
