<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Validation;

use Opis\JsonSchema\Info\SchemaInfo;
use Opis\JsonSchema\Keyword;
use Opis\JsonSchema\Parsers\Keywords\AllOfKeywordParser;
use Opis\JsonSchema\Parsers\SchemaParser;

final class AllOfParser extends AllOfKeywordParser
{
    public function parse(SchemaInfo $info, SchemaParser $parser, object $shared): ?Keyword
    {
        $schema = $info->data();
        if (! is_object($schema) || parent::parse($info, $parser, $shared) === null) {
            return null;
        }
        $schemas = [];
        foreach ((array) $this->keywordValue($schema) as $each) {
            if (is_object($each) || is_bool($each)) {
                $schemas[] = $each;
            }
        }

        return new AllOfWithEveryError($schemas);
    }
}
