<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Order;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;

/**
 * One exercise of a session being filled.
 *
 * @internal
 */
final class DraftItem
{
    /**
     * @param  list<string>  $why
     */
    public function __construct(
        public readonly ExerciseChoice $choice,
        public readonly Dose $dose,
        public readonly array $why,
    ) {
    }

    public function withOneSetMore(): self
    {
        return new self($this->choice, $this->dose->withSets($this->dose->sets + 1), $this->why);
    }

    public function isHeld(): bool
    {
        return $this->dose->measure->longestHold()->ms >= 10_000;
    }
}
