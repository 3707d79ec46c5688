<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Aim;

/**
 * How the sessions of a week are filled for now, and what they are worth together.
 */
final class FilledWeek
{
    /** What a change takes counts as this long at least, so that a gain beside a short one is not everything. */
    private const LEAST_MS = 5000;

    /** @var list<array<int, int>> */
    private array $tallies = [];

    /**
     * @param  list<AimedSession>  $sessions
     * @param  list<array<int, int>>  $ways  to fill them, allowed ones
     */
    public function __construct(private readonly array $sessions, private readonly WeekAim $aim, private array $ways)
    {
        foreach ($sessions as $s => $session) {
            $this->tallies[] = $session->tally($ways[$s]);
        }
    }

    /** @return list<array<int, int>> sets by the place of the candidate, of each session */
    public function ways(): array
    {
        return $this->ways;
    }

    /**
     * Fills a session so.
     *
     * @param  array<int, int>  $way  an allowed one
     * @param  array<int, int>|null  $tally  of it, where it is known
     */
    public function take(int $s, array $way, ?array $tally = null): void
    {
        $this->ways[$s] = $way;
        $this->tallies[$s] = $tally ?? $this->sessions[$s]->tally($way);
    }

    /**
     * Puts more into a session as long as that is worth it.
     *
     * @param  bool  $byTime  whether what is worth most for its time comes first, or what is worth most
     * @param  array<int, int>  $without  what does not come
     * @return bool whether anything came
     */
    public function fill(int $s, bool $byTime, array $without = []): bool
    {
        $others = $this->others($s);
        for ($came = 0; $this->takesMore($s, $others, $byTime, $without); $came++);

        return $came > 0;
    }

    /**
     * Whatever more is worth most.
     *
     * @param  array{array<int, int>, int, list<int>}  $others
     * @param  array<int, int>  $without  what does not come
     */
    private function takesMore(int $s, array $others, bool $byTime, array $without): bool
    {
        [$sum, $points, $ladders] = $others;
        $session = $this->sessions[$s];
        [$way, $tally] = [$this->ways[$s], $this->tallies[$s]];
        $points += $this->ofLadders($way, $ladders);
        $now = $this->aim->value($points + ($session->points($tally) ?? 0), $sum, $tally);
        $takes = $session->takes($tally);
        $best = 0;
        $found = null;
        foreach (Ways::more($session, $way, $tally, $without) as [$new, $to, $with, $own]) {
            $gain = $this->aim->value($points + $own + ($new === null ? 0 : $ladders[$new]), $sum, $with) - $now;
            $gain = $byTime && $gain > 0 ? $gain / max(self::LEAST_MS, $session->takes($with) - $takes) : $gain;
            if ($gain > $best) {
                [$best, $found] = [$gain, [$to, $with]];
            }
        }
        if ($found !== null) {
            $this->take($s, ...$found);
        }

        return $found !== null;
    }

    /** One thing less, or another in its place: whichever is worth most. */
    public function change(int $s): bool
    {
        [$sum, $points, $ladders] = $this->others($s);
        $session = $this->sessions[$s];
        $best = $found = null;
        foreach ([$this->ways[$s], ...Ways::changed($session, $this->ways[$s])] as $way) {
            $tally = $session->tally($way);
            $own = $session->points($tally);
            $value = $own === null ? null : $this->aim->value($points + $own + $this->ofLadders($way, $ladders), $sum, $tally);
            if ($value !== null && ($best === null || $value > $best)) {
                $found = $best === null ? null : [$way, $tally];
                $best = $value;
            }
        }
        if ($found !== null) {
            $this->take($s, ...$found);
        }

        return $found !== null;
    }

    /**
     * @param  array<int, int>  $way
     * @param  list<int>  $ladders  what each is worth
     */
    private function ofLadders(array $way, array $ladders): int
    {
        $worth = 0;
        foreach ($way as $place => $sets) {
            $worth += $ladders[$place];
        }

        return $worth;
    }

    /** Points of the whole. */
    public function worth(): int
    {
        [$sum, $points] = $this->others(null);

        return $this->aim->value($points, $sum, array_map(static fn (): int => 0, $sum));
    }

    /** Whether it trains a direction, by its place. */
    public function trains(int $direction): bool
    {
        return $this->others(null)[0][AimedSession::TRAINED + $direction] > 0;
    }

    /**
     * @param  ?int  $one  a session that is left out
     * @return array{array<int, int>, int, list<int>} of the others: sum of their tallies, and their points with what their ladders are
     *                                                worth; then what the ladder of each candidate is worth in the one beside them
     */
    private function others(?int $one): array
    {
        $sum = array_fill(0, AimedSession::SHARED, 0);
        $times = [];
        $points = 0;
        foreach ($this->sessions as $s => $session) {
            if ($s === $one) {
                continue;
            }
            $points += $session->points($this->tallies[$s]) ?? 0;
            foreach ($sum as $i => $each) {
                $sum[$i] = $each + $this->tallies[$s][$i];
            }
            foreach ($this->ways[$s] as $place => $sets) {
                $candidate = $session->candidates[$place];
                $before = $times[$candidate->ladder] ?? 0;
                $points += $this->aim->ladder($before, $candidate->direction !== null);
                $times[$candidate->ladder] = $before + 1;
            }
        }

        return [$sum, $points, $one === null ? [] : array_map(
            fn (Candidate $each): int => $this->aim->ladder($times[$each->ladder] ?? 0, $each->direction !== null),
            $this->sessions[$one]->candidates,
        )];
    }
}
