<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Fhir;

/**
 * Pain and effort of a session that was done, the worst of each, 0 to 10; null where nobody said.
 */
final class FhirReport
{
    public function __construct(public readonly string $day, public readonly ?int $pain, public readonly ?int $effort)
    {
    }
}
