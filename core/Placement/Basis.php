<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

/**
 * What a starting rung rests on.
 */
enum Basis: string
{
    case HighestClean = 'highest-clean';
    case Test = 'test';
    case Ability = 'ability';
    case Entry = 'entry';
    case None = 'none';
}
