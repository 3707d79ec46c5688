<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Ladder\Library;

/**
 * Where a program is expected to lead on each ladder.
 */
final class LadderPaths
{
    /**
     * Each rung of a ladder with the first week that asks for it, and whether the first week of all trains the ladder.
     *
     * @return array<string, array{in_week: bool, path: list<array{week: int, rung: string}>}> by ladder
     */
    public static function of(?Program $program, Library $library): array
    {
        $paths = $seen = [];
        foreach ($program->weeks ?? [] as $i => $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->entries() as $entry) {
                    $on = $library->find($entry->exercise)?->ladder;
                    if ($i === 0 && $on !== null) {
                        $paths[$on] = ['in_week' => true] + ($paths[$on] ?? ['path' => []]);
                    }
                    $isPlanned = $on !== null && $entry->planned?->ladder === $on && $library->hasRung($entry->exercise);
                    if ($isPlanned && ! isset($seen[$entry->exercise])) {
                        $seen[$entry->exercise] = true;
                        $paths[$on] ??= ['in_week' => false, 'path' => []];
                        $paths[$on]['path'][] = ['week' => $week->number, 'rung' => $entry->exercise];
                    }
                }
            }
        }

        return $paths;
    }
}
