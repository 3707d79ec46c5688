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

    /** At which pace steps are expected, where logs show it. */
    public const GROWTH_PACE = 'growth.pace';

    public const MINUTES_UNUSED = 'minutes.unused';

    public const NOTHING_PROGRAMMABLE = 'nothing.programmable';

    /** A ladder that the trainer chose is not in the first week. */
    public const LADDER_UNUSED = 'ladder.unused';

    /** @param  ?Weekday  $day  null where it is about the whole week */
    public function __construct(
        public readonly int $week,
        public readonly ?Weekday $day,
        public readonly string $code,
        public readonly string $text,
    ) {
    }
}
