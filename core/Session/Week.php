<?php

declare(strict_types=1);

namespace EvenRungs\Core\Session;

use EvenRungs\Core\Body\OtherTraining;

/**
 * One week of a program.
 */
final class Week
{
    /**
     * @param  int  $number  1 is the first
     * @param  list<OtherTraining>  $otherTraining
     * @param  list<Session>  $sessions
     * @param  array<string, mixed>|null  $x  what else the document says
     */
    public function __construct(
        public readonly int $number,
        public readonly array $otherTraining,
        public readonly array $sessions,
        public readonly ?array $x = null,
    ) {
    }

    /** @param  list<Session>  $sessions */
    public function withSessions(array $sessions): self
    {
        return new self($this->number, $this->otherTraining, $sessions, $this->x);
    }
}
