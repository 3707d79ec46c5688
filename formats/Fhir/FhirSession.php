<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Fhir;

/**
 * A planned session, as a referrer reads it.
 */
final class FhirSession
{
    /**
     * @param  ?string  $day  ISO date; null where the program has none
     * @param  'scheduled'|'in-progress'|'completed'|'cancelled'  $status
     * @param  string  $text  kind, minutes and exercises in words
     */
    public function __construct(public readonly ?string $day, public readonly string $status, public readonly string $text)
    {
    }
}
