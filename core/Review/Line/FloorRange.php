<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Line;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;

/**
 * How far something went over the floor, from a length in the same picture that is known: both lie on the floor, beside each other.
 */
final class FloorRange
{
    private const MOST_CM = 300;

    private const LEAST_KNOWN_CM = 10;

    /** Two ways that differ more in direction are at different distances from the camera, and cannot be compared. Degrees. */
    private const MOST_ASKEW = 20.0;

    /**
     * @param  int|float  $knownCm  10 to 300
     * @param  array{Spot, Spot}  $known  its two ends
     * @param  array{Spot, Spot}  $went  from where to where it went
     * @return int whole centimetres
     *
     * @throws InvalidValue when two ends lie on one spot, the two ways run askew, or it would be over 300 cm
     */
    public static function cm(int|float $knownCm, array $known, array $went): int
    {
        if ($knownCm < self::LEAST_KNOWN_CM || $knownCm > self::MOST_CM) {
            throw OutOfRange::outside('the known length in cm', $knownCm, self::LEAST_KNOWN_CM, self::MOST_CM);
        }
        [[$a, $b], [$c, $d]] = [$known, $went];
        if ($a->isOn($b) || $c->isOn($d)) {
            throw Contradiction::because('both ends lie on one spot');
        }
        $askew = $a->between($b, new Spot($a->x + $d->x - $c->x, $a->y + $d->y - $c->y));
        if (min($askew, 180 - $askew) > self::MOST_ASKEW) {
            throw Contradiction::because('the known length does not lie along the way that it went');
        }
        $cm = (int) round($knownCm * hypot($d->x - $c->x, $d->y - $c->y) / hypot($b->x - $a->x, $b->y - $a->y));

        return $cm <= self::MOST_CM ? max(1, $cm) : throw OutOfRange::outside('the range in cm', $cm, 1, self::MOST_CM);
    }
}
