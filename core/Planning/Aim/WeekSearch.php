<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Aim;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Fills the sessions of a week for the most that they are worth together. What adds most comes first; then, again and again, a few
 * exercises of one session or two give way and the sessions are filled anew, which stays where it is worth as much; at last single changes
 * are made as long as one is worth more. What gives way is drawn from a fixed seed: the same client always has the same week.
 */
final class WeekSearch
{
    /** Times that something gives way. */
    private const TIMES = 80;

    private const SEED = 1;

    private FilledWeek $week;

    /** @param  list<AimedSession>  $sessions */
    private function __construct(private readonly array $sessions, WeekAim $aim)
    {
        $this->week = new FilledWeek($sessions, $aim, array_map(static fn (): array => [], $sessions));
    }

    /** @param  list<AimedSession>  $sessions */
    public static function best(array $sessions, WeekAim $aim): FilledWeek
    {
        $search = new self($sessions, $aim);
        foreach (array_keys($sessions) as $s) {
            $search->week->fill($s, false);
        }
        if ($sessions !== []) {
            $search->giveWay();
            $search->cover();
            $search->polish();
        }

        return $search->week;
    }

    private function giveWay(): void
    {
        $chance = new Randomizer(new Mt19937(self::SEED));
        $last = count($this->sessions) - 1;
        $worth = $this->week->worth();
        for ($i = 0; $i < self::TIMES; $i++) {
            $before = clone $this->week;
            $chosen = array_unique([$chance->getInt(0, $last), $chance->getInt(0, $last)]);
            $gone = [];
            foreach ($chosen as $s) {
                $gone[$s] = $this->empty($s, $chance);
            }
            $byTime = $chance->getInt(0, 1) === 0;
            // in one case of two what gave way comes back only behind everything else
            foreach ($chance->getInt(0, 1) === 0 ? $gone : [] as $s => $without) {
                $this->week->fill($s, $byTime, $without);
            }
            foreach ($chosen as $s) {
                $this->week->fill($s, $byTime);
            }
            $worth = $this->keepUnlessWorse($before, $worth);
        }
    }

    /** @return int what the week is worth that is kept */
    private function keepUnlessWorse(FilledWeek $before, int $worth): int
    {
        $now = $this->week->worth();
        if ($now < $worth) {
            $this->week = $before;
        }

        return max($now, $worth);
    }

    /**
     * One exercise of a session or two give way, in one case of four all; what stays in a circuit has one round.
     *
     * @return array<int, int> what gave way
     */
    private function empty(int $s, Randomizer $chance): array
    {
        $way = $this->week->ways()[$s];
        $count = $chance->getInt(0, 3) === 0 ? count($way) : min(count($way), $chance->getInt(1, 2));
        $gone = $way === [] ? [] : array_intersect_key($way, array_flip($chance->pickArrayKeys($way, max(1, $count))));
        $stays = array_diff_key($way, $gone);
        $this->week->take($s, $this->sessions[$s]->circuit ? array_map(static fn (): int => 1, $stays) : $stays);

        return $gone;
    }

    /** A direction that the week misses comes first into a session that is filled anew, wherever that is worth it. */
    private function cover(): void
    {
        foreach ($this->sessions as $s => $session) {
            foreach ($session->candidates as $place => $candidate) {
                $isMissed = $candidate->direction !== null && ! $this->week->trains($candidate->direction);
                if (! $isMissed || $session->points($session->tally([$place => 1])) === null) {
                    continue;
                }
                $before = clone $this->week;
                $this->week->take($s, [$place => 1]);
                foreach ([$s, ...array_keys($this->sessions)] as $each) {
                    $this->week->fill($each, false);
                }
                $this->keepUnlessWorse($before, $before->worth());
            }
        }
    }

    private function polish(): void
    {
        do {
            $isBetter = false;
            foreach (array_keys($this->sessions) as $s) {
                $isBetter = $this->week->change($s) || $isBetter;
                $isBetter = $this->week->fill($s, false) || $isBetter;
            }
        } while ($isBetter);
    }
}
