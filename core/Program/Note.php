<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Time\Weekday;

/**
 * What a reader of a planned program would ask, answered.
 */
final class Note
{
    public const GROWTH_HELD = 'growth.held';

    public const MINUTES_UNUSED = 'minutes.unused';

    public const NOTHING_PROGRAMMABLE = 'nothing.programmable';

    /** @param  ?Weekday  $day  null where it is about the whole week */
    public function __construct(
        public readonly int $week,
        public readonly ?Weekday $day,
        public readonly string $code,
        public readonly string $text,
    ) {
    }
}
