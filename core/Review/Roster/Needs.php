<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Roster;

use DateTimeImmutable;
use EvenRungs\Core\Client\ScreenDue;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Verdict\Decision;

/**
 * What one client needs on a day, and how soon.
 */
final class Needs
{
    /** A pain is recent, and a client was seen, for two weeks (house rule). */
    public const RECENT_DAYS = 14;

    /** On a rung without a step up or down for so long, while it is trained (house rule). */
    public const STUCK_DAYS = 28;

    /** The same test comes again after so long (house rule; practitioners say every few weeks). */
    public const RETEST_DAYS = 42;

    /** @param  list<array{Need, ?DateTimeImmutable, ?int}>  $all  with the day and the number behind each, most urgent first */
    private function __construct(public readonly array $all)
    {
    }

    /**
     * @param  bool  $refers  a clinician must see the client first
     * @param  ?DateTimeImmutable  $painOn  day of the worst pain logged since `recentFrom`; null without one
     * @param  int  $pain  how bad it was, 0 to 10; up to 2 is safe and no need
     * @param  int  $waiting  verdicts that nobody answered
     * @param  ?DateTimeImmutable  $seen  day of the newest log
     * @param  int  $stuck  ladders that do not move
     * @param  ?DateTimeImmutable  $tested  the newest test day; null where there was none
     * @param  ?DateTimeImmutable  $stopped  the day of a stop that no clearance lifts
     * @param  int  $kept  exercises of the program that something forbids
     */
    public static function on(
        DateTimeImmutable $today,
        bool $refers,
        ?DateTimeImmutable $painOn,
        int $pain,
        int $waiting,
        ?ScreenDue $due,
        ?DateTimeImmutable $seen,
        int $stuck = 0,
        ?DateTimeImmutable $tested = null,
        ?DateTimeImmutable $stopped = null,
        int $kept = 0,
    ): self {
        return new self(array_values(array_filter([
            $stopped !== null ? [Need::Stop, $stopped, null] : null,
            $refers && $stopped === null ? [Need::Refer, null, null] : null,
            $painOn !== null && $painOn >= self::recentFrom($today) && $pain > LoggedSession::MOST_PAIN ? [
                Need::Pain,
                $painOn,
                $pain,
            ] : null,
            $waiting > 0 ? [Need::Decision, null, $waiting] : null,
            $due?->isOver($today) === true ? [Need::Screen, $due->on, null] : null,
            $kept > 0 ? [Need::Kept, null, $kept] : null,
            $stuck > 0 ? [Need::Stuck, null, $stuck] : null,
            $tested !== null && $tested->modify(sprintf('+%d days', self::RETEST_DAYS)) <= $today ? [
                Need::Retest,
                $tested->modify(sprintf('+%d days', self::RETEST_DAYS)),
                null,
            ] : null,
            $seen !== null && $seen < self::recentFrom($today) ? [Need::Unseen, $seen, null] : null,
        ])));
    }

    /** Whether a ladder is trained and has stayed where it is for weeks, with nothing decided that would move it. */
    public static function isStuck(History $history, Decision $decision, DateTimeImmutable $today): bool
    {
        $first = $history->sessions[0] ?? null;
        $since = max($history->arrived, $first?->date);

        return $decision === Decision::Stay && count($history->sessions) > 1 && ! $history->isAtTop()
            && $history->last()?->date >= self::recentFrom($today)
            && $since !== null && $since <= $today->modify(sprintf('-%d days', self::STUCK_DAYS));
    }

    public static function recentFrom(DateTimeImmutable $today): DateTimeImmutable
    {
        return $today->modify(sprintf('-%d days', self::RECENT_DAYS));
    }

    /** Lower comes first in the list of clients. */
    public function rank(): int
    {
        return $this->all === [] ? count(Need::cases()) : $this->all[0][0]->rank();
    }
}
