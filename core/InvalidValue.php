<?php

declare(strict_types=1);

namespace EvenRungs\Core;

use DomainException;

/**
 * A value that cannot be, of one kind a class: out of range, an unknown name, unreadable, or at odds with the rest.
 */
abstract class InvalidValue extends DomainException
{
    /**
     * @param  string  $sentence  names the value and says what would be right
     */
    final protected function __construct(public readonly string $sentence)
    {
        parent::__construct($sentence);
    }

    final public static function because(string $sentence): static
    {
        return new static($sentence);
    }
}
