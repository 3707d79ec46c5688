<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

/**
 * A sign that needs a clinician before training. A trainer cannot override it; a recorded clearance lifts it.
 */
final class Flag
{
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly Urgency $urgency,
        public readonly string $text,
    ) {
    }
}
