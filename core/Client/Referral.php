<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

/**
 * A reason why planning stops until a clinician has seen the client.
 */
final class Referral
{
    /**
     * @param  'flag'|'limit'|'stop'  $kind
     */
    public function __construct(
        public readonly string $kind,
        public readonly string $id,
        public readonly Urgency $urgency,
        public readonly string $text,
    ) {
    }
}
