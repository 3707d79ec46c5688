<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

use Closure;
use EvenRungs\Core\Program\Program;

/**
 * A change that mends one finding.
 */
final class Fix
{
    /**
     * @param  string  $text  what it does, for the trainer
     * @param  Closure(Program): Program  $apply
     */
    public function __construct(public readonly string $text, private readonly Closure $apply)
    {
    }

    public function apply(Program $program): Program
    {
        return ($this->apply)($program);
    }
}
