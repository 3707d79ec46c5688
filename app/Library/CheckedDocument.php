<?php

declare(strict_types=1);

namespace App\Library;

use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Name;
use EvenRungs\Formats\Problem;

/**
 * What is wrong with a ladder's document beside the library that it is to stand in: names that mean another exercise already, and rungs
 * that are retired while the ladder's bare name means them, or while others ask for them first.
 */
final class CheckedDocument
{
    /**
     * @param  array<string, mixed>  $document  even-rungs ladder
     * @return array<int, array<string, mixed>> its rungs that are not retired, by their place
     */
    public static function staying(array $document): array
    {
        return array_filter(
            $document['rungs'] ?? [],
            static fn (mixed $rung): bool => is_array($rung) && ($rung['retired'] ?? false) !== true,
        );
    }

    /**
     * @param  array<string, mixed>  $document  even-rungs ladder, as its schema wants it
     * @param  string  $root  path of the ladder in what was sent
     * @return list<Problem>
     */
    public static function retirements(array $document, Library $library, string $root): array
    {
        $staying = self::staying($document);
        $names = array_column($staying, 'name', 'id');
        $problems = [];
        foreach (array_diff_key($document['rungs'], $staying) as $i => $rung) {
            if ($rung['id'] === $document['anchor']) {
                $problems[] = new Problem("$root/anchor", sprintf(
                    'the name of the ladder alone means "%s", which is retired: choose what it means instead',
                    $rung['name'],
                ));
            }
            $askers = self::askers($rung['id'], $document, $library);
            $instead = $rung['instead'] ?? null;
            if ($instead === null && $askers !== []) {
                $problems[] = new Problem("$root/rungs/$i/instead", sprintf(
                    '"%s" is done clean before %s: choose what is done instead',
                    $rung['name'],
                    implode(', ', array_map(static fn (string $name): string => "\"$name\"", $askers)),
                ));
            } elseif ($instead !== null && ! isset($names[$instead])) {
                $problems[] = new Problem("$root/rungs/$i/instead", 'only a rung that stays on this ladder can be done instead');
            }
        }

        return $problems;
    }

    /**
     * @param  array<string, mixed>  $document
     * @return list<string> names of the exercises before which it is done clean
     */
    private static function askers(string $rung, array $document, Library $library): array
    {
        $askers = [];
        foreach (self::staying($document) as $each) {
            if (in_array($rung, array_column($each['requires'], 'rung'), true)) {
                $askers[] = $each['name'];
            }
        }
        $elsewhere = array_filter($library->ladders, static fn (Ladder $ladder): bool => $ladder->id !== $document['id']);
        foreach ($elsewhere as $ladder) {
            foreach ($ladder->rungs as $each) {
                if (in_array($rung, array_column($each->requires, 'rung'), true)) {
                    $askers[] = $each->name;
                }
            }
        }

        return $askers;
    }

    /**
     * @param  array<string, mixed>  $document  even-rungs ladder, as its schema wants it
     * @param  string  $root  path of the ladder in what was sent
     * @return list<Problem> names that another exercise has
     */
    public static function names(array $document, Library $library, string $root): array
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
