<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\UnknownName;

/**
 * Whether everything that a rung names is there.
 */
final class References
{
    /**
     * @param  array<string, list<string>>  $named  ids by what they are ids of
     * @param  array<string, array<string, object>>  $known  what there is, by the same and by id
     *
     * @throws InvalidValue at the first that is not there
     */
    public static function check(Rung $rung, array $named, array $known): void
    {
        foreach ($named as $what => $ids) {
            foreach (array_diff($ids, array_keys($known[$what])) as $id) {
                throw UnknownName::because(sprintf('rung "%s" names the %s "%s", which is not in the library', $rung->id, $what, $id));
            }
        }
    }
}
