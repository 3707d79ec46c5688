<?php

declare(strict_types=1);

namespace App\Library;

use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Name;
use EvenRungs\Formats\Problem;

/**
 * Whether every name on a ladder means one exercise only.
 */
final class LadderNames
{
    /**
     * @param  array<string, mixed>  $document  even-rungs ladder, as its schema wants it
     * @param  string  $root  path of the ladder in what was sent
     * @return list<Problem> names that another exercise has
     */
    public static function problems(array $document, Library $library, string $root): array
    {
        $problems = [];
        $seen = [];
        $own = $document['id'];
        $elsewhere = $library->hasLadder($own) ? null : $library->find($document['name']);
        if ($elsewhere !== null) {
            $problems[] = new Problem("$root/name", sprintf('"%s" is a name of %s already', $document['name'], $elsewhere->name));
        }
        foreach ($document['rungs'] as $i => $rung) {
            if (($rung['retired'] ?? false) === true) {
                continue;
            }
            $names = ['name' => $rung['name']];
            foreach ($rung['aliases'] as $a => $alias) {
                $names["aliases/$a"] = $alias;
            }
            foreach ($names as $field => $name) {
                $key = Name::key($name);
                $other = $library->find($name);
                if ($other !== null && $other->ladder !== $own && ! isset($library->ownWords[$name])) {
                    $problems[] = new Problem("$root/rungs/$i/$field", sprintf('"%s" is a name of %s already', $name, $other->name));
                } elseif (($seen[$key] ?? $i) !== $i) {
                    $problems[] = new Problem("$root/rungs/$i/$field", sprintf('"%s" stands twice on this ladder', $name));
                }
                $seen[$key] = $i;
            }
        }

        return $problems;
    }
}
