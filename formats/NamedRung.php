<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;

/**
 * An exercise that a document names.
 */
final class NamedRung
{
    /** @throws UnusableInput with what is near, where nothing has that name */
    public static function at(Node $node, string $key, Library $library): Rung
    {
        $name = $node->string($key);
        $rung = $library->find($name);
        if ($rung !== null) {
            return $rung;
        }
        $near = array_map(static fn (Rung $each): string => sprintf('"%s"', $each->name), $library->suggestions($name));
        throw UnusableInput::at($node->path($key), sprintf(
            '"%s" is not in the library%s',
            mb_substr($name, 0, 60),
            $near === [] ? '' : '; is '.implode(' or ', $near).' meant?',
        ));
    }
}
