<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Measure;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\RangeScale;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * The steps of a rung as one client climbs them in one house style. Whatever names a dose takes it from here: what is placed, planned,
 * shown, run, judged and audited is the same step.
 *
 * From the rung's own steps: holds are built where the style builds them, cut into pieces at the cap of the style or of a limit, the
 * range grows before the dose where it is measured in centimetres, and who must not lie long on the back loses the longer steps.
 */
final class Steps
{
    /** Repetitions of a light accessory in circuits of high-rep styles (common practice, no source), never over twice the rung's top. */
    private const MANY_REPS = 30;

    private const MOST_TIMES_TOP = 2;

    private const LIGHT_LEVEL = 3;

    private readonly ?Style $style;

    private readonly StepBuilder $builder;

    /** @var array<string, non-empty-list<Dose>> by rung */
    private array $found = [];

    /**
     * @param  ?Style  $style  null where no house style is meant: then no hold is built or cut but by a limit
     * @param  ?Client  $client  null where nobody is meant
     */
    public function __construct(?Style $style, private readonly ?Client $client = null)
    {
        $this->style = $client === null ? $style : $style?->suiting($client);
        $this->builder = new StepBuilder($this->style, $client);
    }

    /** @return non-empty-list<Dose> from the start to the top */
    public function of(Rung $rung): array
    {
        return $this->found[$rung->id] ??= $this->builder->of($rung);
    }

    /** The dose of a step; past the last step, the last. */
    public function dose(Rung $rung, int $step, ?Range $range = null): Dose
    {
        $steps = $this->of($rung);
        $dose = $steps[$this->clamp($rung, $step)];

        return $range === null || self::scale($rung)->perMille($range) >= self::scale($rung)->perMille($dose->range)
            ? $dose
            : $dose->withRange($range);
    }

    public function last(Rung $rung): int
    {
        return count($this->of($rung)) - 1;
    }

    public function clamp(Rung $rung, int $step): int
    {
        return max(0, min($step, $this->last($rung)));
    }

    /** The longest unbroken hold; null where nothing sets one. */
    public function cap(): ?Seconds
    {
        return $this->builder->cap();
    }

    /**
     * The highest step that is not over a measure and, where the range matters, not over a range.
     *
     * @return ?int null where even the start is over it, or where it is counted otherwise
     */
    public function highestNotOver(Rung $rung, Measure $measure, ?int $perMille = null): ?int
    {
        $found = null;
        foreach ($this->of($rung) as $i => $step) {
            if (
                self::isAtMost($step->measure, $measure)
                && ($perMille === null || self::scale($rung)->perMille($step->range) <= $perMille)
            ) {
                $found = $i;
            }
        }

        return $found;
    }

    /**
     * A step with the range it is done at, written the one way: no range where it is the step's own, and the lower step where that has
     * this measure at this range.
     *
     * @return array{int, ?Range}
     */
    public function settle(Rung $rung, int $step, ?Range $range): array
    {
        $step = $this->clamp($rung, $step);
        $scale = self::scale($rung);
        $own = $this->of($rung)[$step];
        if ($range === null || $scale->perMille($range) >= $scale->perMille($own->range)) {
            return [$step, null];
        }
        for ($i = $step - 1; $i >= 0; $i--) {
            $lower = $this->of($rung)[$i];
            if (self::isSame($lower->measure, $own->measure) && $scale->perMille($lower->range) === $scale->perMille($range)) {
                return [$i, null];
            }
        }

        return [$step, $range];
    }

    /**
     * What the range and the measure make up for: a step further from a step and the range it is done at.
     *
     * @return array{int, ?Range}|null null at the last step in full range
     */
    public function further(Rung $rung, int $step, ?Range $range): ?array
    {
        if ($range !== null) {
            return $this->settle($rung, $step, self::scale($rung)->more($range));
        }

        return $step < $this->last($rung) ? [$step + 1, null] : null;
    }

    /**
     * A step back: less range where something moves, else the next smaller dose.
     *
     * @return array{int, ?Range}|null null at the start in the least range
     */
    public function back(Rung $rung, int $step, ?Range $range): ?array
    {
        $now = $range ?? $this->of($rung)[$step]->range;
        $less = $rung->range?->less($now);
        if ($less !== null) {
            return $this->settle($rung, $step, $less);
        }
        for ($i = $step - 1; $i >= 0; $i--) {
            if (! self::isSame($this->of($rung)[$i]->measure, $this->of($rung)[$step]->measure)) {
                return $this->settle($rung, $i, $rung->range === null ? null : $now);
            }
        }

        return null;
    }

    /** The least range at the start: what is left of a rung where nothing below is allowed. */
    public function least(Rung $rung): ?Range
    {
        $range = $this->of($rung)[0]->range;
        while (($less = $rung->range?->less($range)) !== null) {
            $range = $less;
        }

        return $range === null ? null : $this->settle($rung, 0, $range)[1];
    }

    /** The many repetitions of a light accessory in circuits of styles that ask for them; null where there are none. */
    public function many(Rung $rung): ?Reps
    {
        $top = $this->of($rung)[$this->last($rung)]->measure;
        if (
            ! ($this->style->plan->highReps ?? false)
            || ! $top instanceof Reps
            || $rung->level->value > self::LIGHT_LEVEL
            || ! in_array($rung->category, [Category::Hip, Category::ShoulderGirdle], true)
        ) {
            return null;
        }

        return new Reps(max($top->count, min(self::MANY_REPS, self::MOST_TIMES_TOP * $top->count)), $top->tempo, $top->hold);
    }

    /** @return list<string> why the dose of a step is what it is */
    public function why(Rung $rung, int $step, ?Range $range = null): array
    {
        $dose = $this->dose($rung, $step, $range);
        $cap = $this->cap();
        $limited = Limit::holdCap($this->client->limits ?? []) === $cap;
        $own = max([0, ...array_map(static fn (Dose $each): int => $each->measure->longestHold()->ms, $rung->steps)]);

        return [
            sprintf(
                'Dose, tempo and rest: step %d of %d on this rung (common practice, no source).',
                $this->clamp($rung, $step) + 1,
                count($this->of($rung)),
            ),
            ...(
                $cap !== null && $own > $cap->ms ? [
                    sprintf(
                        'No hold over %s: %s.',
                        $cap->toClock(),
                        $limited ? 'a limit asks for short holds, breathing, counted aloud' : sprintf(
                            '%s holds no longer',
                            $this->style->name ?? 'the style',
                        ),
                    ),
                ] : []
            ),
            ...($dose->range === null ? [] : [sprintf('As far as %s; the range grows before the dose.', $dose->range->toShort())]),
        ];
    }

    /** Whether one measure asks no more than another that is counted alike. A hold in one piece and in pieces is seconds held. */
    public static function isAtMost(Measure $a, Measure $b): bool
    {
        return self::counted($a) === self::counted($b) && $a->amount() <= $b->amount() && self::heldInRep($a) <= self::heldInRep($b);
    }

    private static function isSame(Measure $a, Measure $b): bool
    {
        return self::isAtMost($a, $b) && self::isAtMost($b, $a) && $a->longestHold()->ms === $b->longestHold()->ms;
    }

    private static function counted(Measure $measure): string
    {
        return $measure instanceof Intervals || $measure instanceof Hold ? Hold::class : $measure::class;
    }

    public static function heldInRep(Measure $measure): int
    {
        return $measure instanceof Reps ? $measure->longestHold()->ms : 0;
    }

    private static function scale(Rung $rung): RangeScale
    {
        return $rung->range ?? RangeScale::share();
    }
}
