<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use DateTimeImmutable;
use EvenRungs\Core\Ladder\Library;

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

    /**
     * Whether there is something of that name to lift: a flag, a limit, a stop, or the cap on pain.
     *
     * @param  array<string, Flag>  $flags  by id
     * @param  bool  $goneToo  a ladder that the library has no more counts as well
     */
    public static function isNamed(string $lifts, array $flags, Library $library, bool $goneToo = false): bool
    {
        return isset($flags[$lifts])
            || isset($library->limits[$lifts])
            || in_array($lifts, [self::MONITORED_PAIN, self::STOP_OF_ALL], true)
            || (str_starts_with($lifts, self::ofStop('')) && ($goneToo || $library->hasLadder(substr($lifts, strlen(self::ofStop(''))))));
    }

    /**
     * The day after which something must be allowed to be lifted: an emergency or a stop is lifted only by what a clinician says after it
     * (house rule). Null for what any day lifts.
     */
    public static function onlyAfter(string $lifts, Client $client): ?DateTimeImmutable
    {
        if ($lifts === self::STOP_OF_ALL) {
            return $client->stopped?->on;
        }
        if (str_starts_with($lifts, self::ofStop(''))) {
            return ($client->standings[substr($lifts, strlen(self::ofStop('')))] ?? null)?->stopped;
        }
        foreach ($client->screen->flags ?? [] as $flag) {
            if ($flag->id === $lifts && $flag->urgency === Urgency::Emergency) {
                return $client->screen?->on;
            }
        }

        return null;
    }

    /** @param  ?DateTimeImmutable  $day  null where nobody says which day is meant */
    public function isInForce(?DateTimeImmutable $day): bool
    {
        return $day === null || ($this->on <= $day && ($this->until === null || $day <= $this->until));
    }
}
