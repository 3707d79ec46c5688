<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

use DateTimeImmutable;

/**
 * What was done on one ladder on one day.
 */
final class LoggedSession
{
    /** The most pain that is still acceptable: Thomeé R (1997) Phys Ther 77(12):1690–1703, from memory. */
    public const STOP_OVER = 5;

    /** What the floor says when pain stops. */
    public const STOP_WORDS = 'Pain over 5, or pain that is sharp, spreading, numb or giving way: a clinician sees the client before the next session.';

    /** The ticks that move somebody up, asked after the last set of a ladder (common practice, no source). */
    public const TICKS = [
        'ribs-down' => 'Ribs down',
        'back-still' => 'Back still',
        'trunk-on' => 'Trunk on',
        'breathing' => 'Breathing freely',
        'no-pain' => 'No pain',
    ];

    /**
     * @param  ?int  $soreness  of the trunk that day, 0 to 10
     * @param  ?int  $painBefore  0 to 10
     * @param  ?int  $painNextDay  0 to 10
     * @param  list<LoggedSet>  $sets
     * @param  list<string>|null  $ticks  those of TICKS that were ticked; null where nobody was asked
     */
    public function __construct(
        public readonly DateTimeImmutable $date,
        public readonly ?int $soreness,
        public readonly ?int $painBefore,
        public readonly ?int $painNextDay,
        public readonly array $sets,
        public readonly ?array $ticks = null,
    ) {
    }

    /** @return list<string> names of the ticks that were asked for and are missing */
    public function unticked(): array
    {
        return $this->ticks === null ? [] : array_values(array_diff_key(self::TICKS, array_flip($this->ticks)));
    }

    /** The worst pain during the session or on the next day. */
    public function worstPain(): int
    {
        return max([0, $this->painNextDay ?? 0, ...array_map(static fn (LoggedSet $set): int => $set->pain ?? 0, $this->sets)]);
    }

    public function hasStoppingPain(): bool
    {
        return array_filter($this->sets, static fn (LoggedSet $set): bool => $set->painKind?->stops() ?? false) !== [];
    }

    /** Pain over 5 before, during or after it, or pain of a kind that stops however little. */
    public function mustStop(): bool
    {
        return max($this->worstPain(), $this->painBefore ?? 0) > self::STOP_OVER || $this->hasStoppingPain();
    }

    /** @return list<string> faults of sets that were short of their target */
    public function endingFaults(): array
    {
        $short = array_filter($this->sets, static fn (LoggedSet $set): bool => $set->isShort());

        return array_values(array_unique(array_merge([], ...array_map(static fn (LoggedSet $set): array => $set->allFaults(), array_values($short)))));
    }

    /** The least that was done in a set; null without sets. */
    public function least(): int|float|null
    {
        return $this->sets === [] ? null : min(array_map(static fn (LoggedSet $set): int|float => $set->done, $this->sets));
    }
}
