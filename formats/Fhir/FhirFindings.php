<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Fhir;

/**
 * What was read out of a bundle, as a client's document has it.
 */
final class FhirFindings
{
    /**
     * @param  list<string|array{limit: string, severity: string}>  $limits
     * @param  array<string, int|float>  $seconds  timed tests
     * @param  array<string, string|array{left: string, right: string}>  $clean  highest rungs done clean, by ladder
     * @param  list<string>  $aims  rungs
     */
    public function __construct(
        public readonly array $limits,
        public readonly array $seconds,
        public readonly array $clean,
        public readonly array $aims,
    ) {
    }
}
