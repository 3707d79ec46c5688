<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Validation;

use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Info\DataInfo;
use Opis\JsonSchema\Keywords\AllOfKeyword;
use Opis\JsonSchema\Schema;
use Opis\JsonSchema\ValidationContext;

/**
 * `allOf` that goes on after the first schema that fails, so that every problem of a document is said at once.
 */
final class AllOfWithEveryError extends AllOfKeyword
{
    public function validate(ValidationContext $context, Schema $schema): ?ValidationError
    {
        $errors = [];
        foreach ($this->value as $part) {
            $error = (new AllOfKeyword([$part]))->validate($context, $schema);
            if ($error !== null) {
                $errors = [
                    ...$errors,
                    ...array_filter($error->subErrors(), static fn (mixed $sub): bool => $sub instanceof ValidationError),
                ];
            }
        }

        return $errors === [] ? null : new ValidationError(
            'allOf',
            $schema,
            DataInfo::fromContext($context),
            'The data should match all schemas',
            [],
            $errors,
        );
    }
}
