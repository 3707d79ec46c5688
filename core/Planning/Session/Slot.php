<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;

/**
 * A day's place for one session.
 */
final class Slot
{
    /**
     * @param  bool  $mayBeHard  whether the session may reach the hard-session line
     * @param  Seconds  $length  the longest the session may take
     * @param  list<string>  $why
     */
    public function __construct(
        public readonly Weekday $day,
        public readonly Kind $kind,
        public readonly bool $mayBeHard,
        public readonly Seconds $length,
        public readonly array $why,
        public readonly bool $atHome = false,
    ) {
    }

    /** The same slot away from the studio. */
    public function atHome(): self
    {
        return new self(
            $this->day,
            $this->kind,
            $this->mayBeHard,
            $this->length,
            [...$this->why, 'At home: only moves that are already clean, with the kit there.'],
            true,
        );
    }
}
