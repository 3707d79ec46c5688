<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Fit;

use EvenRungs\Core\Program\Program;

/**
 * A program on a client's own rungs, with everything that had to change for it.
 */
final class FittedProgram
{
    /**
     * @param  list<FitChange>  $changes  in the order of the program
     * @param  list<FitChange>  $leftOut  exercises that nothing stands in for
     */
    public function __construct(public readonly Program $program, public readonly array $changes, public readonly array $leftOut)
    {
    }
}
