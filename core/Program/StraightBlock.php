<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Dose\Bounds;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * All sets of one entry, then the next.
 */
final class StraightBlock implements Block
{
    /**
     * @param  list<Entry>  $entries  1 to 50
     *
     * @throws InvalidValue when out of range
     */
    public function __construct(private readonly array $entries, private readonly Seconds $restAfter)
    {
        Session::checkEntryCount($entries);
        Bounds::Rest->check($restAfter->toNumber());
    }

    public function entries(): array
    {
        return $this->entries;
    }

    public function withEntries(array $entries): self
    {
        return new self($entries, $this->restAfter);
    }

    public function restAfter(): Seconds
    {
        return $this->restAfter;
    }
}
