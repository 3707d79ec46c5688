<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;

/**
 * The bands of a studio, lightest first. Colours mean nothing by themselves: every maker has an order of its own, so the studio lists its
 * own.
 */
final class Bands
{
    public const MOST = 12;

    /** @param  list<Band>  $bands */
    private function __construct(public readonly array $bands)
    {
    }

    /**
     * @param  list<Band>  $bands  lightest first
     *
     * @throws InvalidValue where a name stands twice, or a pull is less than that of a lighter band
     */
    public static function of(array $bands): self
    {
        if (count($bands) > self::MOST) {
            throw OutOfRange::because(sprintf('at most %d bands', self::MOST));
        }
        $names = [];
        $pull = 0;
        foreach ($bands as $band) {
            $name = mb_strtolower($band->name);
            if (isset($names[$name])) {
                throw Contradiction::because(sprintf('"%s" stands twice', $band->name));
            }
            if ($band->pullKg !== null && $band->pullKg < $pull) {
                throw Contradiction::because(sprintf('"%s" pulls less than a band above it: the lightest comes first', $band->name));
            }
            $names[$name] = true;
            $pull = $band->pullKg ?? $pull;
        }

        return new self($bands);
    }

    public function find(string $name): ?Band
    {
        foreach ($this->bands as $band) {
            if ($band->name === $name) {
                return $band;
            }
        }

        return null;
    }

    /** The next heavier one; null for the heaviest, and for one that is not on the list any more. */
    public function heavier(Band $than): ?Band
    {
        $at = array_search($than, $this->bands, true);

        return $at === false ? null : $this->bands[$at + 1] ?? null;
    }
}
