<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * A joint on which the body rests.
 */
final class Rest
{
    /**
     * @param  string  $joint  with its side where it has one ("hand-r")
     * @param  float  $height  of what it rests on, in hundredths of body height; 0 is the floor
     */
    public function __construct(public readonly string $joint, public readonly float $height = 0.0)
    {
    }

    /** How high the joint point lies, the thickness of the body included. */
    public function level(): float
    {
        return $this->height + Body::radius($this->joint);
    }
}
