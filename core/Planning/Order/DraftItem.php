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
     * @param  ExerciseChoice  $choice  what is done now
     * @param  list<string>  $why
     * @param  ?ExerciseChoice  $from  what was done in the first week; null where that is the same
     * @param  int  $grown  steps taken since
     */
    public function __construct(
        public readonly ExerciseChoice $choice,
        public readonly Dose $dose,
        public readonly array $why,
        private readonly ?ExerciseChoice $from = null,
        public readonly int $grown = 0,
    ) {
    }

    public function first(): ExerciseChoice
    {
        return $this->from ?? $this->choice;
    }

    /** The same exercise a step further than another was. */
    public function growing(self $before): self
    {
        return new self($this->choice, $this->dose->withSets($before->dose->sets), $this->why, $before->first(), $before->grown + 1);
    }

    public function withSets(int $sets): self
    {
        return new self($this->choice, $this->dose->withSets($sets), $this->why, $this->from, $this->grown);
    }

    public function isHeld(): bool
    {
        return $this->dose->measure->longestHold()->ms >= 10_000;
    }
}
