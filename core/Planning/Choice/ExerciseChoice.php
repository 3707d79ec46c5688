<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Choice;

use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Rung;

/**
 * A rung that a program may use for one client, and why.
 */
final class ExerciseChoice
{
    /**
     * @param  bool  $swap  it stands in for a ladder on which nothing is allowed
     * @param  list<string>  $why
     * @param  int  $step  of the rung's steps for the client, 0 the start
     * @param  ?Range  $range  done at now, where that is less than the step's own
     */
    public function __construct(
        public readonly Rung $rung,
        public readonly Basis $basis,
        public readonly bool $swap,
        public readonly array $why,
        public readonly int $step = 0,
        public readonly ?Range $range = null,
    ) {
    }

    /** The same choice where it is expected later. */
    public function at(Rung $rung, int $step, ?Range $range = null): self
    {
        $why = $rung === $this->rung ? $this->why : [sprintf('Expected by now, after %s, while sessions are clean.', $this->rung->name)];

        return new self($rung, $this->basis, $this->swap, $why, $step, $range);
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
