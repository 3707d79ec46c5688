<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * What to say for one fault, before range is cut or the rung below is taken.
 */
final class Cue
{
    public function __construct(public readonly string $fault, public readonly string $say)
    {
    }
}
