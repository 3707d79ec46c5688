<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

/**
 * One thing that is wrong with a document, and where.
 */
final class Problem
{
    /**
     * @param  string  $path  JSON pointer, `/` for the whole document
     */
    public function __construct(public readonly string $path, public readonly string $message)
    {
    }

    public function toLine(): string
    {
        return $this->path.': '.$this->message;
    }
}
