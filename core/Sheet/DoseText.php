<?php

declare(strict_types=1);

namespace EvenRungs\Core\Sheet;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Dose\Distance;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Measure;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Tempo;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Writing;

/**
 * A dose in words that a client can do, the tempo too: how long the way there takes, the stop there, and the way back.
 */
final class DoseText
{
    /** @param  bool  $bothSidesOneRep  the style counts left and right together as one repetition */
    public function __construct(private readonly Words $words, private readonly bool $bothSidesOneRep = false)
    {
    }

    /**
     * @param  bool  $lowersFirst  whether a repetition begins with the lowering way
     * @param  ?int  $rounds  of the circuit that it stands in
     */
    public function of(Dose $dose, bool $lowersFirst, ?int $rounds = null): string
    {
        $times = $rounds === null ? $this->words->count('sets', $dose->sets) : $this->words->count('rounds', $rounds);

        return $this->words->say('dose', $times, $this->once($dose, $lowersFirst));
    }

    /** The same without how often: what stands beside a box for each set. */
    public function once(Dose $dose, bool $lowersFirst): string
    {
        $reps = $dose->measure instanceof Reps ? $dose->measure : null;

        return implode(', ', array_filter([
            $this->amount($dose->measure).$this->sides($dose),
            $reps?->tempo === null ? '' : $this->tempo($reps->tempo, $lowersFirst),
            $dose->loadKg === null ? '' : Writing::load($dose->loadKg),
            $dose->range === null ? '' : $this->range($dose->range),
            $dose->rest === null || $dose->rest->isZero() ? '' : $this->words->say('rest', $dose->rest->toClock()),
        ], static fn (string $part): bool => $part !== ''));
    }

    /** Seconds of each part of a repetition, in the order in which they come; what takes none is not said. */
    private function tempo(Tempo $tempo, bool $lowersFirst): string
    {
        [$lowering, $low, $lifting, $high] = $tempo->parts();
        $parts = $lowersFirst
            ? ['there' => $lowering, 'stay' => $low, 'back' => $lifting, 'pause' => $high]
            : ['there' => $lifting, 'stay' => $high, 'back' => $lowering, 'pause' => $low];
        $said = [];
        foreach (array_filter($parts) as $part => $seconds) {
            $said[] = $this->words->say('tempo.'.$part, $seconds);
        }

        return implode(', ', $said);
    }

    private function sides(Dose $dose): string
    {
        return match (true) {
            $dose->measure instanceof Reps && $dose->isPerSide() && $this->bothSidesOneRep => $this->words->say('sides.one-rep'),
            $dose->side === Side::Each => $this->words->say('sides.each'),
            $dose->side === Side::Alternate => $this->words->say('sides.alternate'),
            default => '',
        };
    }

    private function amount(Measure $measure): string
    {
        return match (true) {
            $measure instanceof Reps => $this->words->count('reps', $measure->count).(
                $measure->hold === null ? '' : $this->words->say('held', $this->seconds($measure->hold))
            ),
            $measure instanceof Hold => $this->seconds($measure->time),
            $measure instanceof Intervals => $this->words->say(
                'intervals',
                $this->words->count('holds', $measure->count),
                $this->seconds($measure->hold),
                $this->seconds($measure->break),
            ),
            $measure instanceof Work => $this->words->say('work', $this->seconds($measure->time)),
            $measure instanceof Distance => Writing::distance($measure->metres),
            default => throw Contradiction::because('a measure that has no wording'),
        };
    }

    private function range(Range $range): string
    {
        return match (true) {
            $range->cm !== null => $this->words->say('range.far', Writing::reach($range->cm)),
            $range->share === 0.5 => $this->words->say('range.half'),
            default => $this->words->say('range.share', Writing::number(($range->share ?? 1) * 100)),
        };
    }

    private function seconds(Seconds $time): string
    {
        return Writing::number($time->toNumber()).' s';
    }
}
