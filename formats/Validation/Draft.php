<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Validation;

use Opis\JsonSchema\Parsers\Drafts\Draft202012;
use Opis\JsonSchema\Parsers\Keywords\AllOfKeywordParser;

/**
 * Draft 2020-12 with the `allOf` that reports everything.
 */
final class Draft extends Draft202012
{
    protected function getKeywordParsers(): array
    {
        return array_map(
            static fn ($parser) => $parser instanceof AllOfKeywordParser ? new AllOfParser('allOf') : $parser,
            parent::getKeywordParsers(),
        );
    }
}
