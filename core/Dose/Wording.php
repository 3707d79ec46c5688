<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Writing;

/**
 * A dose in whole words. They read back to the same dose where left and right are not counted together.
 */
final class Wording
{
    /** What only these sentences say, in the spelling of shorthand. */
    public const SPELLINGS = [
        '/,? \bno rest\b/' => ' r0',
        '/(\d+) holds? of (\d+(?:\.\d+)?) ?s with (\d+(?:\.\d+)?) ?s between/' => '($1x$2s/$3s)',
        '/(?<=\d) ?s of work\b/' => 's work',
        '/ on each side, alternating\b/' => ' /alt',
    ];

    /** As whoever is told likes to read it: in words or in shorthand. */
    public static function shown(Dose $dose): string
    {
        return Writing::inWords() ? self::of($dose) : Shorthand::write($dose);
    }

    /** One set as whoever is told likes to read it: how many sets and how long the rest is, others say. */
    public static function oneSet(Dose $dose): string
    {
        return (string) preg_replace('/^1 (?:×|set of) /u', '', self::shown($dose->withSets(1)->withRest(null)));
    }

    /** @param  bool  $bothSidesOneRep  the writer counts left and right together as one repetition */
    public static function of(Dose $dose, bool $bothSidesOneRep = false): string
    {
        $sides = $bothSidesOneRep && $dose->measure instanceof Reps && $dose->isPerSide()
            ? ', left and right make one'
            : self::sides($dose);
        $parts = [sprintf('%s of %s%s', self::count($dose->sets, 'set'), self::amount($dose->measure), $sides)];
        if ($dose->measure instanceof Reps && $dose->measure->tempo !== null) {
            $parts[] = 'tempo '.$dose->measure->tempo->toString();
        }
        if ($dose->loadKg !== null) {
            $parts[] = Writing::load($dose->loadKg);
        }
        if ($dose->range !== null) {
            $parts[] = $dose->range->toWords();
        }
        if ($dose->rest !== null) {
            $parts[] = $dose->rest->isZero() ? 'no rest' : 'rest '.$dose->rest->toClock();
        }

        return implode(', ', $parts);
    }

    private static function sides(Dose $dose): string
    {
        return match ($dose->side) {
            Side::Each => ' on each side',
            Side::Alternate => ' on each side, alternating',
            default => '',
        };
    }

    private static function amount(Measure $measure): string
    {
        return match (true) {
            $measure instanceof Reps => self::count($measure->count, 'rep').(
                $measure->hold === null ? '' : ' held '.self::seconds($measure->hold)
            ),
            $measure instanceof Hold => self::seconds($measure->time),
            $measure instanceof Intervals => sprintf(
                '%s of %s with %s between',
                self::count($measure->count, 'hold'),
                self::seconds($measure->hold),
                self::seconds($measure->break),
            ),
            $measure instanceof Work => self::seconds($measure->time).' of work',
            $measure instanceof Distance => Writing::distance($measure->metres)
                .($measure->pace === null ? '' : ' at '.Writing::number($measure->pace).' m/s'),
            default => throw Contradiction::because('a measure that has no wording'),
        };
    }

    private static function count(int $count, string $what): string
    {
        return $count.' '.$what.($count === 1 ? '' : 's');
    }

    private static function seconds(Seconds $time): string
    {
        return Writing::number($time->toNumber()).' s';
    }
}
