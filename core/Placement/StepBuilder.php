<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * Builds the steps of a rung in one house style for one client: from the rung's own, grown, cut and without what must not be.
 */
final class StepBuilder
{
    /** Break between the pieces of a hold (common practice, no source). */
    private const BREAK_S = 5;

    /** Pieces of a hold are whole multiples of this. */
    private const PIECE_MS = 5_000;

    /** A hold grows by 5 s below 30 s and by 10 s above (common practice, no source). */
    private const LONG_FROM_MS = 30_000;

    private const SHORT_GROWTH_MS = 5_000;

    private const LONG_GROWTH_MS = 10_000;

    /**
     * @param  ?Style  $style  null where no house style is meant: then no hold is built or cut but by a limit
     * @param  ?Client  $client  null where nobody is meant
     */
    public function __construct(private readonly ?Style $style, private readonly ?Client $client)
    {
    }

    /** The longest unbroken hold: the style's cap or a limit's, the smaller; null where neither sets one. */
    public function cap(): ?Seconds
    {
        $style = $this->style?->holdCap;
        $limit = Limit::holdCap($this->client->limits ?? []);

        return $style === null || ($limit !== null && $style->isLongerThan($limit)) ? $limit : $style;
    }

    /** @return non-empty-list<Dose> */
    public function of(Rung $rung): array
    {
        $steps = $this->distinct(array_map($this->capped(...), $this->ranged($rung, $this->grown($rung))));
        $flat = Limit::flatUnder($this->client->limits ?? []);
        $short = $flat === null ? $steps : array_values(
            array_filter($steps, static fn (Dose $dose): bool => $rung->flatMs($dose) < $flat->ms),
        );

        return $short === [] ? [$steps[0]] : $short;
    }

    /** @return non-empty-list<Dose> the rung's own steps, or where the style builds holds one step after the other up to its cap */
    private function grown(Rung $rung): array
    {
        $plan = $this->style?->plan;
        $builds = ($plan->build ?? false) || ($plan->bySecond ?? false);
        $cap = $this->cap();
        $start = $rung->start()->measure;
        $top = $rung->top()->measure;
        if ($cap !== null && ($plan->thenMove ?? false)) {
            $under = array_values(
                array_filter(
                    $rung->steps,
                    static fn (Dose $dose): bool => ! $dose->measure->longestHold()->isLongerThan($cap) && ! (
                        $dose->measure instanceof Hold && $dose->measure->time->isLongerThan($cap)
                    ),
                ),
            );

            return $under === [] ? [$rung->start()] : $under;
        }
        if (
            $cap === null
            || ! $builds
            || ! $start instanceof Hold
            || ! $top instanceof Hold
            || $top->time->ms < self::LONG_FROM_MS
            || $start->time->isLongerThan($cap)
        ) {
            return [$rung->start(), ...array_slice($rung->steps, 1)];
        }
        $steps = [$rung->start()];
        for ($ms = $start->time->ms; $ms < $cap->ms;) {
            $ms = min($cap->ms, $ms + ($ms < self::LONG_FROM_MS ? self::SHORT_GROWTH_MS : self::LONG_GROWTH_MS));
            $steps[] = $rung->start()->withMeasure(new Hold(Seconds::ofMs($ms)));
        }

        return $steps;
    }

    /**
     * The start at a growing range, then the dose in full range.
     *
     * @param  non-empty-list<Dose>  $steps
     * @return non-empty-list<Dose>
     */
    private function ranged(Rung $rung, array $steps): array
    {
        $growing = $rung->range?->growing() ?? [];
        if ($growing === []) {
            return $steps;
        }
        $full = $growing[count($growing) - 1];

        return [
            ...array_map(static fn (Range $range): Dose => $steps[0]->withRange($range), $growing),
            ...array_map(static fn (Dose $dose): Dose => $dose->withRange($full), array_slice($steps, 1)),
        ];
    }

    /** A hold over the cap in as few pieces as it allows; a hold in every repetition is shortened. */
    private function capped(Dose $dose): Dose
    {
        $cap = $this->cap();
        $measure = $dose->measure;
        if ($cap === null || ! $measure->longestHold()->isLongerThan($cap)) {
            return $dose;
        }

        return $dose->withMeasure(match (true) {
            $measure instanceof Reps => new Reps($measure->count, $measure->tempo, $cap),
            $measure instanceof Intervals => self::pieces(
                $measure->break->isZero() ? $measure->work() : $measure->hold,
                $cap,
                $measure->break->isZero() ? 1 : $measure->count,
                $measure->break,
            ),
            default => self::pieces($measure->work(), $cap, 1, Seconds::zero()),
        });
    }

    private static function pieces(Seconds $hold, Seconds $cap, int $times, Seconds $break): Intervals
    {
        $count = (int) ceil($hold->ms / $cap->ms);
        $piece = min($cap->ms, (int) ceil($hold->ms / $count / self::PIECE_MS) * self::PIECE_MS);

        return new Intervals($count * $times, Seconds::ofMs($piece), $break->isZero() ? Seconds::of(self::BREAK_S) : $break);
    }

    /**
     * @param  non-empty-list<Dose>  $steps
     * @return non-empty-list<Dose> without the second of two equal neighbours
     */
    private function distinct(array $steps): array
    {
        $kept = [$steps[0]];
        foreach (array_slice($steps, 1) as $step) {
            if (! $step->hasSetsLike($kept[count($kept) - 1])) {
                $kept[] = $step;
            }
        }

        return $kept;
    }
}
