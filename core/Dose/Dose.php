<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * How much of one exercise: sets of a measure, sides, rest, load and range.
 *
 * Side and rest are null where the writer left them out: time then counts both sides at once and no rest,
 * and the gap is shown rather than filled.
 */
final class Dose
{
    /**
     * @param  int  $sets  1 to 50
     * @param  ?Seconds  $rest  0 to 3600 s after a set
     * @param  int|float|null  $loadKg  0 to 500 kg
     * @param  ?Range  $range  how far the movement goes; null for all of it
     *
     * @throws InvalidValue when out of range, or when `alternate` goes with anything but repetitions or a work time
     */
    public function __construct(
        public readonly Measure $measure,
        public readonly int $sets = 1,
        public readonly ?Side $side = null,
        public readonly ?Seconds $rest = null,
        public readonly int|float|null $loadKg = null,
        public readonly ?Range $range = null,
    ) {
        Bounds::Sets->check($sets);
        if ($rest !== null) {
            Bounds::Rest->check($rest->toNumber());
        }
        if ($loadKg !== null) {
            Bounds::Load->check($loadKg);
        }
        if ($side === Side::Alternate && ! $measure instanceof Reps && ! $measure instanceof Work) {
            throw Contradiction::because('alternate sides go only with reps or a work time; write each side instead');
        }
    }

    public function withSets(int $sets): self
    {
        return new self($this->measure, $sets, $this->side, $this->rest, $this->loadKg, $this->range);
    }

    public function withMeasure(Measure $measure): self
    {
        return new self($measure, $this->sets, $this->side, $this->rest, $this->loadKg, $this->range);
    }

    public function withRest(?Seconds $rest): self
    {
        return new self($this->measure, $this->sets, $this->side, $rest, $this->loadKg, $this->range);
    }

    public function withSide(?Side $side): self
    {
        return new self($this->measure, $this->sets, $side, $this->rest, $this->loadKg, $this->range);
    }

    /** @param  int|float|null  $loadKg  0 to 500 kg */
    public function withLoad(int|float|null $loadKg): self
    {
        return new self($this->measure, $this->sets, $this->side, $this->rest, $loadKg, $this->range);
    }

    public function withRange(?Range $range): self
    {
        return new self($this->measure, $this->sets, $this->side, $this->rest, $this->loadKg, $range);
    }

    /** Sets, measure and sides alone: tempo, load, range and rest left out. */
    public function amount(): self
    {
        $measure = $this->measure instanceof Reps ? new Reps($this->measure->count, null, $this->measure->hold) : $this->measure;

        return new self($measure, $this->sets, $this->side);
    }

    /** What another dose says of sides, tempo, load, range and rest, wherever this one says nothing of it. */
    public function keeping(self $before): self
    {
        $measure = $this->measure;
        if ($measure instanceof Reps && $measure->tempo === null && $before->measure instanceof Reps) {
            $measure = new Reps($measure->count, $before->measure->tempo, $measure->hold);
        }
        $fits = $before->side !== Side::Alternate || $measure instanceof Reps || $measure instanceof Work;

        return new self(
            $measure,
            $this->sets,
            $this->side ?? ($fits ? $before->side : Side::Each),
            $this->rest ?? $before->rest,
            $this->loadKg ?? $before->loadKg,
            $this->range ?? $before->range,
        );
    }

    /** Whether one set of it is one set of another, whatever the number of sets. */
    public function hasSetsLike(self $other): bool
    {
        return $this->side === $other->side
            && $this->loadKg === $other->loadKg
            && $this->measure == $other->measure
            && $this->rest == $other->rest
            && $this->range == $other->range;
    }

    public function isPerSide(): bool
    {
        return $this->side?->isPerSide() ?? false;
    }

    /** Work of all sets and sides together. */
    public function tension(): Seconds
    {
        $sides = $this->isPerSide() && ! $this->measure instanceof Work ? 2 : 1;

        return $this->measure->work()->times($sides * $this->sets);
    }
}
