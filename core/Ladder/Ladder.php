<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\UnknownName;

/**
 * Rungs of one movement, easiest first; levels never fall.
 */
final class Ladder
{
    /**
     * @param  string  $anchor  id of the rung that the ladder's bare name means
     * @param  list<Rung>  $rungs
     * @param  list<Rung>  $retired  taken off the ladder; their ids are never used again
     * @param  array<string, string>  $instead  rung of it that is asked for first in the place of a retired one: id by id
     *
     * @throws InvalidValue when empty, when a level falls, or when the anchor or what is asked for instead is not one of the rungs
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly Category $category,
        public readonly string $anchor,
        public readonly array $rungs,
        public readonly array $retired = [],
        public readonly array $instead = [],
    ) {
        if ($rungs === []) {
            throw Contradiction::because(sprintf('ladder "%s" has no rungs', $id));
        }
        foreach (self::falls(array_map(static fn (Rung $rung): int => $rung->level->value, $rungs)) as $i) {
            throw Contradiction::because(
                sprintf('ladder "%s": rung "%s" is easier than "%s" below it', $id, $rungs[$i]->id, $rungs[$i - 1]->id),
            );
        }
        if ($this->indexOf($anchor) === null) {
            throw UnknownName::because(sprintf('ladder "%s": its anchor "%s" is not one of its rungs', $id, $anchor));
        }
        foreach ($instead as $rung) {
            if ($this->indexOf($rung) === null) {
                throw UnknownName::because(sprintf('ladder "%s": "%s", asked for instead, is not one of its rungs', $id, $rung));
            }
        }
    }

    /**
     * Where levels fall, which they never may along a ladder.
     *
     * @param  list<int>  $levels  easiest rung first
     * @return list<int> places whose level is under the one before
     */
    public static function falls(array $levels): array
    {
        return array_values(array_filter(array_keys($levels), static fn (int $i): bool => $i > 0 && $levels[$i] < $levels[$i - 1]));
    }

    /** Place of a rung from the bottom, 0 the easiest; null when it stands elsewhere. */
    public function indexOf(string $rung): ?int
    {
        foreach ($this->rungs as $i => $candidate) {
            if ($candidate->id === $rung) {
                return $i;
            }
        }

        return null;
    }

    /** The highest rung at or under a level, or null. */
    public function highestAtOrUnder(int $level): ?Rung
    {
        $found = null;
        foreach ($this->rungs as $rung) {
            if ($rung->level->value <= $level) {
                $found = $rung;
            }
        }

        return $found;
    }

    /** @return list<Rung> the rung and those below it, nearest first */
    public function downFrom(Rung $rung): array
    {
        return array_reverse(array_slice($this->rungs, 0, (int) $this->indexOf($rung->id) + 1));
    }

    /** @return list<Rung> the rungs above, nearest first */
    public function above(Rung $rung): array
    {
        return array_slice($this->rungs, (int) $this->indexOf($rung->id) + 1);
    }
}
