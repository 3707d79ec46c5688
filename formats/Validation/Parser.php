<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Validation;

use Opis\JsonSchema\Parsers\SchemaParser;
use Opis\JsonSchema\Parsers\Vocabulary;

final class Parser extends SchemaParser
{
    /** @return array<string, Draft> */
    protected function getDrafts(?Vocabulary $extraVocabulary): array
    {
        return ['2020-12' => new Draft($extraVocabulary)];
    }
}
