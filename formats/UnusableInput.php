<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\InvalidValue;
use RuntimeException;

/**
 * A document that cannot be used, with everything that is wrong with it.
 */
final class UnusableInput extends RuntimeException
{
    /**
     * @param  non-empty-list<Problem>  $problems
     */
    public function __construct(public readonly array $problems)
    {
        parent::__construct(implode("\n", array_map(static fn (Problem $problem): string => $problem->toLine(), $problems)));
    }

    public static function at(string $path, string $message): self
    {
        return new self([new Problem($path, $message)]);
    }

    /** What is wrong with a value, at its place in the document. */
    public static function of(string $path, InvalidValue $why): self
    {
        return self::at($path, $why->sentence);
    }
}
