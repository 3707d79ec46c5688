<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Ladder\Library;

/**
 * What a program asks, in whole words.
 */
final class Told
{
    /** @param  bool  $bothSidesOneRep  the style counts left and right together as one repetition */
    public static function dose(Entry $entry, bool $bothSidesOneRep): string
    {
        $side = ExtraSet::side($entry);

        return Wording::of($entry->dose, $bothSidesOneRep).($side === null ? '' : sprintf(', %s side only', $side));
    }

    /** @return list<string> a line each: the exercises with their doses, the rounds of a circuit before those of it */
    public static function session(Session $session, Library $library, bool $bothSidesOneRep): array
    {
        $lines = [];
        foreach ($session->blocks as $block) {
            if ($block instanceof CircuitBlock) {
                $lines[] = sprintf('%d %s of:', $block->rounds, $block->rounds === 1 ? 'round' : 'rounds');
            }
            foreach ($block->entries() as $entry) {
                $lines[] = ($library->find($entry->exercise)->name ?? $entry->exercise).': '.self::dose($entry, $bothSidesOneRep);
            }
        }

        return $lines;
    }
}
