<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

/**
 * What a starting rung rests on.
 */
enum Basis: string
{
    case Standing = 'standing';
    case HighestClean = 'highest-clean';
    case Test = 'test';
    case Ability = 'ability';
    case Entry = 'entry';
    case None = 'none';

    /** Whether nobody has seen it: said by the client, or where a ladder begins. */
    public function isAssumed(): bool
    {
        return in_array($this, [self::Ability, self::Entry, self::None], true);
    }
}
