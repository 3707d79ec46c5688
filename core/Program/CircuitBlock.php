<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Dose\Bounds;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * One set of every entry in turn, for a number of rounds.
 */
final class CircuitBlock implements Block
{
    /**
     * @param  list<Entry>  $entries  1 to 50, each of one set
     * @param  int  $rounds  1 to 50
     * @param  Seconds  $roundRest  added between rounds, on top of the last station's own rest
     *
     * @throws InvalidValue when out of range, or when an entry has more than one set
     */
    public function __construct(
        private readonly array $entries,
        public readonly int $rounds,
        public readonly Seconds $roundRest,
        private readonly Seconds $restAfter,
    ) {
        Session::checkEntryCount($entries);
        Bounds::Rounds->check($rounds);
        Bounds::Rest->check($roundRest->toNumber());
        Bounds::Rest->check($restAfter->toNumber());
        foreach ($entries as $entry) {
            if ($entry->dose->sets !== 1) {
                throw Contradiction::because('a circuit counts rounds, so every entry has one set');
            }
        }
    }

    public function entries(): array
    {
        return $this->entries;
    }

    public function withEntries(array $entries): self
    {
        return new self($entries, $this->rounds, $this->roundRest, $this->restAfter);
    }

    public function restAfter(): Seconds
    {
        return $this->restAfter;
    }
}
