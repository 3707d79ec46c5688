<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Session\Day;
use EvenRungs\Core\Session\Kind;

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
        public readonly Day $day,
        public readonly Kind $kind,
        public readonly bool $mayBeHard,
        public readonly Seconds $length,
        public readonly array $why,
    ) {
    }
}
