<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Time\Seconds;

/**
 * One way to make a session shorter: what goes, how much time it gives, and what that costs.
 */
final class Cut
{
    /**
     * @param  string  $what  what goes, for the trainer
     * @param  string  $costs  what is lost with it
     * @param  Seconds  $saves  time that it gives back
     * @param  int  $price  the least is cut first
     * @param  Session  $session  the session without it
     */
    public function __construct(
        public readonly string $what,
        public readonly string $costs,
        public readonly Seconds $saves,
        public readonly int $price,
        public readonly Session $session,
    ) {
    }
}
