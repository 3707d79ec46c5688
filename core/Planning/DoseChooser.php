<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\TimedHold;
use EvenRungs\Core\Style\Style;

/**
 * The dose of one set: the rung's step, held to a share of the test best, to the style's cap, and to what a limit allows.
 */
final class DoseChooser
{
    /** A working hold is at most this share of the test best, in thirds (house rule): the trunk is still needed when the session is over. */
    private const TEST_SHARE_THIRDS = 2;

    private const SHORTEST_HOLD_S = 5;

    /** One repeat of a hold, in styles that break holds up (McGill SM (2010) Strength Cond J 32(3):33–46, method from memory). */
    private const SHORT_HOLD_S = 10;

    /** Break between the pieces of a hold that a limit cuts (common practice, no source). */
    private const BREAK_S = 5;

    /** Repetitions of a light accessory in high-rep styles (common practice, no source), never over twice the rung's top. */
    private const MANY_REPS = 30;

    private const MOST_TIMES_TOP = 2;

    private const LIGHT_LEVEL = 3;

    public function __construct(private readonly Style $style)
    {
    }

    /**
     * @param  int  $step  step of the rung, 0 the start
     * @return array{Dose, list<string>} the dose of one set, and why it is what it is
     */
    public function choose(Rung $rung, int $step, Client $client): array
    {
        $dose = $rung->dose($step)->withSets(1);
        $why = [sprintf('Dose, tempo and rest: step %d of %d on this rung (common practice, no source).', min($step, count($rung->steps) - 1) + 1, count($rung->steps))];
        $measure = $dose->measure;
        if ($measure instanceof Hold) {
            $best = $rung->timedTest === null ? null : TimedHold::of($rung->timedTest, $client->tests);
            $share = $best === null ? null : $this->shareOf($best->best);
            if ($best !== null && $share !== null && $measure->time->isLongerThan($share)) {
                $measure = new Hold($share);
                $why[] = sprintf('Held %s: at most two thirds of the best of %s (house rule).', $share->toClock(), $best->best->toClock());
            }
            if ($measure->time->isLongerThan($this->style->holdCap)) {
                $measure = new Hold($this->style->holdCap);
                $why[] = sprintf('Held %s: %s holds no longer.', $this->style->holdCap->toClock(), $this->style->name);
            }
            $short = Seconds::of(self::SHORT_HOLD_S);
            if ($this->style->plan->repeats && $measure->time->isLongerThan($short)) {
                $measure = new Intervals((int) ceil($measure->time->ms / $short->ms), $short, Seconds::of(self::BREAK_S));
                $why[] = sprintf('In repeats of %d s: %s never holds long.', self::SHORT_HOLD_S, $this->style->name);
            }
        }
        if ($this->style->plan->highReps && $measure instanceof Reps && $this->isLightAccessory($rung)) {
            $many = min(self::MANY_REPS, self::MOST_TIMES_TOP * (int) $rung->top()->measure->amount());
            if ($many > $measure->count) {
                $measure = new Reps($many, $measure->tempo, $measure->hold);
                $why[] = sprintf('%d repetitions: %s does light accessories in many (common practice, no source).', $many, $this->style->name);
            }
        }
        $cap = $client->holdCap();
        if ($cap !== null && $measure->longestHold()->isLongerThan($cap)) {
            if ($measure instanceof Reps) {
                $measure = new Reps($measure->count, $measure->tempo, $cap);
            } elseif ($measure instanceof Hold) {
                $measure = new Intervals((int) ceil($measure->time->ms / $cap->ms), $cap, Seconds::of(self::BREAK_S));
            } elseif ($measure instanceof Intervals) {
                $measure = new Intervals((int) ceil($measure->work()->ms / $cap->ms), $cap, $measure->break->isZero() ? Seconds::of(self::BREAK_S) : $measure->break);
            }
            $why[] = sprintf('No hold over %s: a limit asks for short holds, breathing, counted aloud.', $cap->toClock());
        }

        return [$dose->withMeasure($measure), $why];
    }

    private function isLightAccessory(Rung $rung): bool
    {
        return in_array($rung->category, [Category::Hip, Category::ShoulderGirdle], true) && $rung->level->value <= self::LIGHT_LEVEL;
    }

    /** Two thirds of a best hold, in whole steps of 5 s, never under 5 s. */
    private function shareOf(Seconds $best): Seconds
    {
        $steps = intdiv($best->ms * self::TEST_SHARE_THIRDS, 3 * self::SHORTEST_HOLD_S * 1000);

        return Seconds::of(self::SHORTEST_HOLD_S * max(1, $steps));
    }
}
