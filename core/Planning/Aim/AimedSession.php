<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Aim;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Style\FilledWeights;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * A session that is to be filled: what may stand in it, what it has room for, and what a way to fill it gives the week. A way to fill it is
 * the sets of each exercise, by the place of its candidate; in a circuit all have as many. Times in milliseconds.
 */
final class AimedSession
{
    /**
     * Places in a tally: sets of each direction, whether it is trained, work that counts for it, work of each role, time without the
     * changes to another exercise, exercises, the shortest rest, work in directions, directions with one set, exercises with one set,
     * rounds, points less than the best, sets of an exercise beyond what the goal means, and sets of each category that is no direction.
     */
    public const TRAINED = 4;

    public const WORK = 8;

    public const ROLES = 12;

    /** So many of them are added up over the sessions of a week. */
    public const SHARED = 15;

    private const MS = 15;

    private const COUNT = 16;

    private const LEAST_REST = 17;

    private const DIRECTIONS_MS = 18;

    private const SINGLE = 19;

    private const ALONE = 20;

    private const ROUNDS = 21;

    private const LESS = 22;

    private const EXTRA = 23;

    private const BESIDE = 24;

    public readonly int $lengthMs;

    public readonly int $mostSets;

    /** A change to another exercise. */
    private readonly int $stationMs;

    public readonly int $longestRestMs;

    /** @var list<array{int, int, int, int, int, int, int, int, int, int, int}> what is read of each candidate, over and over */
    private array $rows = [];

    private readonly int $sets;

    private readonly int $usedMs;

    private readonly int $filledMs;

    private readonly int $hardSets;

    private readonly int $hardMs;

    /** @var list<int> places in a tally of the categories that are no direction */
    private readonly array $beside;

    private readonly FilledWeights $weights;

    /**
     * @param  list<Candidate>  $candidates
     * @param  bool  $circuit  whether it runs in rounds
     * @param  int  $fixedMs  preparation and switch-on; less a change, where no switch-on stands before the first exercise
     * @param  int  $most  exercises at most
     */
    public function __construct(
        public readonly array $candidates,
        private readonly Slot $slot,
        public readonly bool $circuit,
        private readonly int $fixedMs,
        public readonly int $most,
        GoalRule $goal,
        Style $style,
    ) {
        $this->weights = $style->filledWeights;
        $this->lengthMs = $slot->length->ms;
        $this->mostSets = $goal->mostSets;
        $this->sets = $goal->sets;
        $this->hardSets = $style->hardSets;
        $this->hardMs = $style->hardTension->ms;
        $this->stationMs = Change::usual()->station->ms;
        $this->filledMs = intdiv($this->lengthMs * $this->weights->filledPercent, 100);
        $this->longestRestMs = max([0, ...array_map(static fn (Candidate $each): int => $each->restMs, $candidates)]);
        // the last rest falls away, and is not used
        $used = intdiv($this->lengthMs * $this->weights->usedPercent, 100) + $this->longestRestMs;
        $this->usedMs = min($used, $this->filledMs);
        $beside = [];
        foreach ($candidates as $each) {
            $code = (int) array_search($each->item->choice->rung->category, Category::cases(), true);
            [$a, $b, $c, $d] = $each->countsMs;
            $role = self::ROLES + $each->role;
            $costs = $each->setMs + $each->restMs;
            $this->rows[] = [$each->direction ?? -1, $code, $costs, $each->restMs, $each->workMs, $role, $a, $b, $c, $d, $each->less];
            if ($each->direction === null) {
                $beside[$code] = self::BESIDE + $code;
            }
        }
        $this->beside = array_values($beside);
    }

    /** Time of so many sets of a candidate with their rests. */
    public function costs(int $place, int $sets): int
    {
        return $sets * $this->rows[$place][2];
    }

    /** Whether anything at all has room in it. */
    public function hasRoom(): bool
    {
        foreach (array_keys($this->candidates) as $place) {
            if ($this->points($this->tally([$place => 1])) !== null) {
                return true;
            }
        }

        return false;
    }

    /**
     * What a way to fill it gives the week, counted.
     *
     * @param  array<int, int>  $way
     * @return array<int, int> by the places above
     */
    public function tally(array $way): array
    {
        $t = array_fill(0, self::BESIDE + count(Category::cases()), 0);
        $t[self::MS] = $this->fixedMs;
        $t[self::LEAST_REST] = $this->lengthMs;
        foreach ($way as $place => $sets) {
            $t = $this->with($t, $place, 0, $sets);
        }

        return $t;
    }

    /**
     * The tally with so many sets more of one exercise.
     *
     * @param  array<int, int>  $t
     * @param  int  $has  sets of it that are counted already
     * @return array<int, int>
     */
    public function with(array $t, int $place, int $has, int $more): array
    {
        [$direction, $code, $costs, $rest, $work, $role, $a, $b, $c, $d, $less] = $this->rows[$place];
        $t[self::MS] += $more * $costs;
        $t[$role] += $more * $work;
        $t[self::WORK] += $more * $a;
        $t[self::WORK + 1] += $more * $b;
        $t[self::WORK + 2] += $more * $c;
        $t[self::WORK + 3] += $more * $d;
        $alone = ($has + $more === 1 ? 1 : 0) - ($has === 1 ? 1 : 0);
        $t[self::ALONE] += $alone;
        $sets = $has + $more;
        if ($sets > $this->sets) {
            $t[self::EXTRA] += $sets - ($has > $this->sets ? $has : $this->sets);
        }
        if ($direction < 0) {
            $t[self::BESIDE + $code] += $more;
        } else {
            $t[$direction] += $more;
            $t[self::TRAINED + $direction] = 1;
            $t[self::DIRECTIONS_MS] += $more * $work;
            $t[self::SINGLE] += $alone;
        }
        if ($has === 0) {
            $t[self::COUNT]++;
            $t[self::ROUNDS] = $more;
            $t[self::LESS] += $less;
            if ($rest < $t[self::LEAST_REST]) {
                $t[self::LEAST_REST] = $rest;
            }
        }

        return $t;
    }

    /**
     * How long it takes with the rest of the last exercise.
     *
     * @param  array<int, int>  $t
     */
    public function takes(array $t): int
    {
        $count = $t[self::COUNT];

        return $t[self::MS] + $this->stationMs * ($this->circuit && $count > 1 ? $t[self::ROUNDS] * $count : $count);
    }

    /**
     * What is seen in this session alone. The rest of the last exercise falls away; which is last is decided later, so the shortest is
     * taken.
     *
     * @param  array<int, int>  $t
     * @return ?int null where it may not be filled so
     */
    public function points(array $t): ?int
    {
        $count = $t[self::COUNT];
        $ms = $this->takes($t);
        if ($count > $this->most || ($count > 0 && $ms - $t[self::LEAST_REST] > $this->lengthMs)) {
            return null;
        }
        if (! $this->slot->mayBeHard && ($this->hardSets <= $t[0] + $t[1] + $t[2] + $t[3] || $t[self::DIRECTIONS_MS] >= $this->hardMs)) {
            return null;
        }
        $w = $this->weights;
        $meant = $this->sets;
        $accessory = 0;
        foreach ($this->beside as $code) {
            $accessory += $t[$code] < $meant ? $t[$code] : $meant;
        }
        if ($accessory > 0 && $t[self::SINGLE] > 0 && ! $this->circuit) {
            return null;
        }
        $in = ($t[0] < $meant ? $t[0] : $meant) + ($t[1] < $meant ? $t[1] : $meant)
            + ($t[2] < $meant ? $t[2] : $meant) + ($t[3] < $meant ? $t[3] : $meant);
        $points = $w->accessorySet * $accessory + $w->setInSession * $in - $t[self::LESS]
            - $w->extraSet * $t[self::EXTRA]
            - ($this->circuit ? 0 : $w->setAlone * $t[self::ALONE]);
        if ($ms >= $this->filledMs) {
            return $points - $w->fullSecond * intdiv($ms - $this->filledMs, 1000);
        }
        $unused = $this->slot->mayBeHard && $ms < $this->usedMs ? $w->unusedSecond * intdiv($this->usedMs - $ms, 1000) : 0;

        return $points - $unused - $w->idleSecond * intdiv($this->filledMs - $ms, 1000);
    }
}
