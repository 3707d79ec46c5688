<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Basis;

/**
 * A rung that a program may use for one client, and why.
 */
final class ExerciseChoice
{
    /**
     * @param  bool  $swap  it stands in for a ladder on which nothing is allowed
     * @param  list<string>  $why
     */
    public function __construct(
        public readonly Rung $rung,
        public readonly Basis $basis,
        public readonly bool $swap,
        public readonly array $why,
    ) {
    }

    /** How sure the rung is, 0 the surest. */
    public function doubt(): int
    {
        return match (true) {
            $this->swap => 2,
            $this->basis === Basis::HighestClean, $this->basis === Basis::Test => 0,
            $this->basis === Basis::Ability => 1,
            default => 3,
        };
    }
}
