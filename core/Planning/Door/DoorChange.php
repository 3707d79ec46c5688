<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Door;

/**
 * One thing that is other than planned today.
 */
final class DoorChange
{
    /**
     * @param  'swapped'|'eased'|'left-out'|'cut'  $how
     * @param  string  $what  the exercise, or what of it goes
     * @param  ?string  $to  what is done in its place
     */
    public function __construct(
        public readonly string $how,
        public readonly string $what,
        public readonly ?string $to,
        public readonly string $why,
    ) {
    }
}
