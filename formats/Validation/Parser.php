<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Validation;

use Opis\JsonSchema\Parsers\SchemaParser;
use Opis\JsonSchema\Parsers\Vocabulary;

final class Parser extends SchemaParser
{
    /** Nothing beyond the standard is looked for, and nothing is kept for keywords that no schema of ours has. */
    public const ONLY_THE_STANDARD = [
        'allowFilters' => false,
        'allowMappers' => false,
        'allowTemplates' => false,
        'allowGlobals' => false,
        'allowDefaults' => false,
        'allowSlots' => false,
        'allowKeywordValidators' => false,
        'allowPragmas' => false,
        'allowDataKeyword' => false,
        'allowUnevaluated' => false,
        'allowRelativeJsonPointerInRef' => false,
    ];

    /** @return array<string, Draft> */
    protected function getDrafts(?Vocabulary $extraVocabulary): array
    {
        return ['2020-12' => new Draft($extraVocabulary)];
    }
}
