<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use DateTimeImmutable;
use EvenRungs\Core\Time\Seconds;

/**
 * A session in a calendar.
 */
final class CalendarEvent
{
    /**
     * @param  string  $id  stays the same while the session is moved or planned anew
     * @param  DateTimeImmutable  $start  in the studio's zone; only its day counts where no time of day is known
     * @param  bool  $isAllDay  whether no time of day is known
     */
    public function __construct(
        public readonly string $id,
        public readonly DateTimeImmutable $start,
        public readonly bool $isAllDay,
        public readonly Seconds $length,
        public readonly string $title,
        public readonly string $text,
    ) {
    }
}
