<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Forecast;

use DateTimeImmutable;

/**
 * When the next steps of a ladder are likely, as a range of weeks, from the client's own log: how often the ladder is trained, and
 * how many of its sessions qualify. Never a promise.
 *
 * A step takes so many qualifying sessions running. With a share p of sessions that qualify, each by itself, k running take
 * (1 − p^k) / ((1 − p) p^k) sessions on average (calc: runs of successes). The ends of the range take p at the ends of an
 * 80 % Wilson interval, since a log of a few weeks says little.
 */
final class Forecast
{
    /** Sessions and days that a forecast needs at least (house rule). */
    public const LEAST_SESSIONS = 4;

    public const LEAST_DAYS = 14;

    private const LOOK_BACK_DAYS = 56;

    /** Further away than this is said, not counted. */
    public const MOST_WEEKS = 104;

    private const Z = 1.2816;

    /**
     * @param  ?float  $perWeek  sessions a week; null with too little data
     * @param  int  $clean  sessions that qualified
     * @param  int  $sessions  sessions looked at
     * @param  int  $running  qualifying sessions running that a step takes
     */
    private function __construct(
        public readonly ?float $perWeek,
        public readonly int $clean,
        public readonly int $sessions,
        public readonly int $running,
    ) {
    }

    /**
     * @param  list<array{DateTimeImmutable, bool}>  $sessions  days since `lookBackFrom`, and whether each qualified
     * @param  int  $running  qualifying sessions running that a step takes
     */
    public static function from(array $sessions, DateTimeImmutable $today, int $running): self
    {
        if ($sessions === []) {
            return self::unknown($running);
        }
        $days = (int) min(array_column($sessions, 0))->diff($today)->days + 1;
        $enough = count($sessions) >= self::LEAST_SESSIONS && $days >= self::LEAST_DAYS;

        return new self(
            $enough ? 7 * count($sessions) / $days : null,
            count(array_filter(array_column($sessions, 1))),
            count($sessions),
            max(1, $running),
        );
    }

    /** Nothing is known of the ladder. */
    public static function unknown(int $running): self
    {
        return new self(null, 0, 0, max(1, $running));
    }

    /** Older sessions say little of how somebody trains now (house rule). */
    public static function lookBackFrom(DateTimeImmutable $today): DateTimeImmutable
    {
        return $today->modify(sprintf('-%d days', self::LOOK_BACK_DAYS));
    }

    public function hasEnough(): bool
    {
        return $this->perWeek !== null;
    }

    /**
     * @param  int  $steps  dose steps and rungs to go
     * @param  int  $had  qualifying sessions running that the first of them has already
     * @return ?Weeks null with too little data
     */
    public function weeks(int $steps, int $had = 0): ?Weeks
    {
        if ($this->perWeek === null) {
            return null;
        }
        [$low, $high] = $this->share();
        $weeks = fn (float $sessions): float => ceil(max(1.0, $sessions) / $this->perWeek);
        $soonest = $weeks($this->sessionsFor($steps, $high) - min($had, $this->running - 1));
        $latest = $weeks($this->sessionsFor($steps, $low));

        return new Weeks((int) min(self::MOST_WEEKS, $soonest), $latest > self::MOST_WEEKS ? null : (int) $latest);
    }

    /** Weeks that a step takes at the middle of what was seen, whole ones and at least one; null with too little data. */
    public function weeksPerStep(): ?int
    {
        $middle = array_sum($this->share()) / 2;

        return $this->perWeek === null ? null : (int) min(self::MOST_WEEKS, max(1, round($this->sessionsFor(1, $middle) / $this->perWeek)));
    }

    private function sessionsFor(int $steps, float $p): float
    {
        $k = $this->running;

        return $steps * match (true) {
            $p >= 1.0 => (float) $k,
            $p <= 0.0 => INF,
            default => (1 - $p ** $k) / ((1 - $p) * $p ** $k),
        };
    }

    /** @return array{float, float} ends of the share of sessions that qualify */
    public function share(): array
    {
        $n = max(1, $this->sessions);
        $p = $this->clean / $n;
        $z = self::Z ** 2;
        $middle = ($p + $z / (2 * $n)) / (1 + $z / $n);
        $reach = self::Z / (1 + $z / $n) * sqrt($p * (1 - $p) / $n + $z / (4 * $n * $n));

        return [max(0.0, $middle - $reach), min(1.0, $middle + $reach)];
    }

    /** @return list<string> what the range rests on */
    public function assumptions(): array
    {
        if ($this->perWeek === null) {
            return [
                sprintf(
                    'Too little data: %d of at least %d sessions over at least %d days.',
                    $this->sessions,
                    self::LEAST_SESSIONS,
                    self::LEAST_DAYS,
                ),
            ];
        }

        return [
            sprintf('%.1f sessions a week, as in the last weeks.', $this->perWeek),
            sprintf(
                '%d of %d sessions qualified; the range takes %d to %d %% of those to come.',
                $this->clean,
                $this->sessions,
                (int) round(100 * $this->share()[0]),
                (int) round(100 * $this->share()[1]),
            ),
            sprintf('A step takes %d running, and no layoff, pain or change of the house style comes between.', $this->running),
        ];
    }
}
