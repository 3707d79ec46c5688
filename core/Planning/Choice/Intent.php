<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Choice;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Measure;
use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Time\Seconds;

/**
 * What a set is for, and the sets, repetitions and holds that usually go with it (common practice, no source).
 *
 * The doses of an intent stay near those of the rung: from its start to its top where they meet the intent's range.
 */
final class Intent
{
    /**
     * @param  array{int, int}  $sets  least and most
     * @param  array{int, int}  $reps  least and most in a set
     * @param  array{int, int}|null  $hold  shortest and longest, in seconds; null where it is not trained with holds
     * @param  bool  $distance  whether it is trained by distance
     * @param  ?int  $leastTopReps  only rungs whose top dose has this many repetitions
     * @param  array<string, int>  $needs  least grade by stress
     * @param  array<string, int>  $spares  stresses that rule a rung out, by the grade from which
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $text,
        public readonly array $sets,
        public readonly array $reps,
        public readonly ?array $hold,
        public readonly bool $distance,
        public readonly int $leastLevel,
        public readonly int $mostLevel,
        public readonly ?int $leastTopReps,
        public readonly array $needs,
        public readonly array $spares,
    ) {
    }

    public function suits(Rung $rung): bool
    {
        $level = $rung->level->value;
        $top = $rung->top()->measure;
        $fits = match ($top->kind()) {
            MeasureKind::Reps => $this->leastTopReps === null || $top->amount() >= $this->leastTopReps,
            MeasureKind::Hold, MeasureKind::Intervals => $this->hold !== null,
            default => $this->distance,
        };
        foreach ($this->needs as $stress => $grade) {
            $fits = $fits && $rung->grade($stress) >= $grade;
        }
        foreach ($this->spares as $stress => $grade) {
            $fits = $fits && $rung->grade($stress) < $grade;
        }

        return $fits && $level >= $this->leastLevel && $level <= $this->mostLevel;
    }

    /**
     * The lightest and the hardest usual dose of a rung for this intent.
     *
     * @return array{Dose, Dose}|null null where the rung does not suit it
     */
    public function doses(Rung $rung): ?array
    {
        if (! $this->suits($rung)) {
            return null;
        }

        return [
            $rung->start()->withSets($this->sets[0])->withMeasure($this->within($rung->start()->measure)),
            $rung->top()->withSets($this->sets[1])->withMeasure($this->within($rung->top()->measure)),
        ];
    }

    private function within(Measure $measure): Measure
    {
        if ($measure instanceof Reps) {
            return new Reps(max($this->reps[0], min($this->reps[1], $measure->count)), $measure->tempo, $measure->hold);
        }
        if ($measure instanceof Hold && $this->hold !== null) {
            return new Hold(Seconds::of(max($this->hold[0], min($this->hold[1], $measure->time->toNumber()))));
        }

        return $measure;
    }
}
