<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

use DateTimeImmutable;
use EvenRungs\Core\Ladder\RangeScale;
use EvenRungs\Core\Ladder\Sign;

/**
 * What was done on one ladder on one day.
 */
final class LoggedSession
{
    /** The most pain that is still acceptable: Thomeé R (1997) Phys Ther 77(12):1690–1703, from memory. */
    public const STOP_OVER = 5;

    /** More is a caution. */
    public const MOST_PAIN = 2;

    /** From here on no direct work, 0 to 10. */
    public const SORE_FROM = 4;

    /** The effort that "easy" stands for, 0 to 10: Foster C et al. (2001) J Strength Cond Res 15(1):109–115, from memory. */
    public const EASY = 2;

    /** What the floor says when pain stops. */
    public const STOP_WORDS = 'Pain over 5, or pain that is sharp, spreading, numb or giving way: a clinician sees the client '
        .'before the next session.';

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
     * @param  ?PainKind  $painKind  said of the whole session; it counts for every ladder of it
     * @param  bool  $checked  whether somebody watched the form
     * @param  list<Sign>  $signs  that were there
     */
    public function __construct(
        public readonly DateTimeImmutable $date,
        public readonly ?int $soreness,
        public readonly ?int $painBefore,
        public readonly ?int $painNextDay,
        public readonly array $sets,
        public readonly ?array $ticks = null,
        public readonly ?PainKind $painKind = null,
        public readonly bool $checked = true,
        public readonly array $signs = [],
    ) {
    }

    /** Both as one session, every report at its worst. Where one was watched and the other not, the form is that of the watched one. */
    public function with(self $other): self
    {
        $worse = static fn (?int $a, ?int $b): ?int => $a === null ? $b : ($b === null ? $a : max($a, $b));
        $stops = array_filter([$this->painKind, $other->painKind], static fn (?PainKind $kind): bool => $kind?->stops() ?? false);
        $all = array_filter(
            [
                $this->painKind,
                $other->painKind,
                ...array_map(static fn (LoggedSet $set): ?PainKind => $set->painKind, [...$this->sets, ...$other->sets]),
            ],
            static fn (?PainKind $kind): bool => $kind?->stopsAll() ?? false,
        );
        $watched = $this->checked === $other->checked ? [...$this->sets, ...$other->sets] : ($this->checked ? $this->sets : $other->sets);

        return new self(
            $this->date,
            $worse($this->soreness, $other->soreness),
            $worse(
                $worse($this->painBefore, $other->painBefore),
                $this->checked === $other->checked ? null : ($this->checked ? $other : $this)->painDuring(),
            ),
            $worse($this->painNextDay, $other->painNextDay),
            $watched,
            $this->ticks === null || $other->ticks === null ? $this->ticks ?? $other->ticks : array_values(
                array_intersect($this->ticks, $other->ticks),
            ),
            array_values($all)[0] ?? array_values($stops)[0] ?? (
                $this->checked === $other->checked ? null : ($this->checked ? $other : $this)->stoppingKind()
            ) ?? $this->painKind ?? $other->painKind,
            $this->checked || $other->checked,
            array_values(array_unique([...$this->signs, ...$other->signs], SORT_REGULAR)),
        );
    }

    /** Whether a set was begun or anything was said: a session with neither is none. */
    public function isReported(): bool
    {
        return $this->soreness !== null
            || $this->painBefore !== null
            || $this->painNextDay !== null
            || $this->painKind !== null
            || $this->signs !== []
            || array_filter($this->sets, static fn (LoggedSet $set): bool => $set->isReported()) !== [];
    }

    /**
     * Whether it shows its rung done clean: watched, every set whole in amount and range, without a fault, breathing, with no more than
     * acceptable pain.
     */
    public function isClean(RangeScale $scale): bool
    {
        $unclean = array_filter($this->sets, static fn (LoggedSet $set): bool => $set->left
            || $set->isShort()
            || $set->isShortOfRange($scale)
            || $set->faults === null
            || $set->allFaults() !== []
            || $set->breathing !== true);

        return $this->checked && $this->sets !== [] && $unclean === [] && $this->worstPain() <= self::MOST_PAIN && ! $this->mustStop();
    }

    /** @return list<array{id: string, name: string}> every tick, in order */
    public static function namedTicks(): array
    {
        return array_map(
            static fn (string $id, string $name): array => ['id' => $id, 'name' => $name],
            array_keys(self::TICKS),
            self::TICKS,
        );
    }

    /** @return list<string> names of the ticks that were asked for and are missing */
    public function unticked(): array
    {
        return $this->ticks === null ? [] : array_values(array_diff_key(self::TICKS, array_flip($this->ticks)));
    }

    private function painDuring(): ?int
    {
        $pains = array_filter(array_map(static fn (LoggedSet $set): ?int => $set->pain, $this->sets), is_int(...));

        return $pains === [] ? null : max($pains);
    }

    /** The worst pain before, during or on the day after the session. */
    public function worstPain(): int
    {
        return max(0, $this->painBefore ?? 0, $this->painNextDay ?? 0, $this->painDuring() ?? 0);
    }

    /** The kind of pain that stops, the one that stops everything first; null where there was none. */
    public function stoppingKind(): ?PainKind
    {
        $found = null;
        foreach ([$this->painKind, ...array_map(static fn (LoggedSet $set): ?PainKind => $set->painKind, $this->sets)] as $kind) {
            if ($kind !== null && $kind->stops() && ($found === null || ($kind->stopsAll() && ! $found->stopsAll()))) {
                $found = $kind;
            }
        }

        return $found;
    }

    /** Pain over 5 before, during or after it, or pain of a kind that stops however little. */
    public function mustStop(): bool
    {
        return $this->worstPain() > self::STOP_OVER || $this->stoppingKind() !== null;
    }

    /** Whether it stops everything, and not only its ladder. */
    public function stopsAll(): bool
    {
        return $this->stoppingKind()?->stopsAll() ?? false;
    }

    /** @return list<string> faults of all sets */
    public function faults(): array
    {
        return array_values(
            array_unique(array_merge([], ...array_map(static fn (LoggedSet $set): array => $set->allFaults(), $this->sets))),
        );
    }

    /** @return list<string> faults of sets that were short of their target */
    public function endingFaults(): array
    {
        $short = array_filter($this->sets, static fn (LoggedSet $set): bool => $set->isShort());

        return array_values(
            array_unique(array_merge([], ...array_map(static fn (LoggedSet $set): array => $set->allFaults(), array_values($short)))),
        );
    }
}
