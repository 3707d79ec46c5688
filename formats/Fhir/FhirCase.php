<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Fhir;

use DateTimeImmutable;

/**
 * What is told about a client to whoever sent them.
 */
final class FhirCase
{
    /**
     * @param  string  $id  of the client, letters, digits and hyphens
     * @param  ?int  $born  year
     * @param  list<string|array{limit: string, severity: string}>  $limits  as a client's document has them
     * @param  array<string, int|float>  $seconds  timed tests
     * @param  array<string, string|array{left: string, right: string}>  $clean  highest rungs done clean, by ladder
     * @param  list<string>  $aims  rungs that the client asked for
     * @param  list<string>  $ownAims  what they want to do again, in their own words
     * @param  list<FhirSession>  $sessions  planned ones
     * @param  list<FhirReport>  $reports  what was said of sessions that were done
     * @param  DateTimeImmutable  $asOf  the day that it speaks of
     * @param  array<string, string>  $names  of limits and rungs, by id
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly ?int $born,
        public readonly array $limits,
        public readonly array $seconds,
        public readonly array $clean,
        public readonly array $aims,
        public readonly array $ownAims,
        public readonly array $sessions,
        public readonly array $reports,
        public readonly DateTimeImmutable $asOf,
        public readonly array $names,
    ) {
    }
}
