<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use DateTimeImmutable;

/**
 * What a licensed practitioner allowed: one flag, one limit, one stop, or monitored pain, from a day on, until when, up to which level.
 */
final class Clearance
{
    public const MONITORED_PAIN = 'monitored-pain';

    public const STOP_OF_ALL = 'stop:all';

    /**
     * @param  string  $lifts  id of a flag or a limit, `stop:` with a ladder or `all`, or `monitored-pain`
     * @param  ?DateTimeImmutable  $until  the last day; null for no end
     * @param  ?int  $maxLevel  no rung above this level while it is in force
     */
    public function __construct(
        public readonly string $lifts,
        public readonly DateTimeImmutable $on,
        public readonly ?DateTimeImmutable $until = null,
        public readonly ?int $maxLevel = null,
        public readonly ?string $by = null,
        public readonly ?string $role = null,
    ) {
    }

    public static function ofStop(string $ladder): string
    {
        return 'stop:'.$ladder;
    }

    /** @param  ?DateTimeImmutable  $day  null where nobody says which day is meant */
    public function isInForce(?DateTimeImmutable $day): bool
    {
        return $day === null || ($this->on <= $day && ($this->until === null || $day <= $this->until));
    }
}
