<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * What the line of a body in a picture is meant to be on a rung: which joints are judged from the side, and whether level hips are
 * looked at from behind.
 */
final class RungLine
{
    /**
     * @param  list<MeantAngle>  $joints  judged from the side; none where nothing is
     * @param  ?string  $leg  which leg is meant where they differ, in words
     * @param  bool  $behind  whether the hips are looked at from behind
     */
    public function __construct(public readonly array $joints, public readonly ?string $leg = null, public readonly bool $behind = false)
    {
    }

    /** What is meant of a joint; null where it is not judged. */
    public function of(string $joint): ?MeantAngle
    {
        foreach ($this->joints as $each) {
            if ($each->joint === $joint) {
                return $each;
            }
        }

        return null;
    }

    /** @return list<string> ids of the faults that it can suggest from the side */
    public function faults(): array
    {
        return array_values(array_filter([...array_column($this->joints, 'below'), ...array_column($this->joints, 'above')]));
    }
}
