<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Dose\Bounds;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * Rest that stands on its own between blocks.
 */
final class RestBlock implements Block
{
    /** @throws InvalidValue when out of range */
    public function __construct(public readonly Seconds $rest, private readonly Seconds $restAfter)
    {
        Bounds::Rest->check($rest->toNumber());
        Bounds::Rest->check($restAfter->toNumber());
    }

    public function entries(): array
    {
        return [];
    }

    public function withEntries(array $entries): self
    {
        return $this;
    }

    public function restAfter(): Seconds
    {
        return $this->restAfter;
    }
}
