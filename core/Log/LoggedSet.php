<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

use EvenRungs\Core\Dose\Measure;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Unit;
use EvenRungs\Core\Ladder\RangeScale;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Steps;

/**
 * One set as it was really done. What was not recorded is null, and never counts as good.
 */
final class LoggedSet
{
    /** Where an exercise must not be felt: nobody moves up on it; less range or load comes first (common practice, no source). */
    public const WRONG_PLACES = ['low-back', 'neck', 'shoulder', 'wrist'];

    /**
     * @param  'left'|'right'|'both'|null  $side
     * @param  int|float  $target  repetitions, metres, or milliseconds held or worked
     * @param  int|float  $done  the same, 0 where it was not begun
     * @param  list<string>|null  $faults  seen and not cured
     * @param  list<string>  $cued  faults that a cue cured: done, but not clean
     * @param  ?string  $endedBy  the fault that ended the set
     * @param  ?int  $pain  0 to 10
     * @param  ?int  $effort  0 to 10
     * @param  list<string>  $felt  where it was felt, as the client says
     * @param  ?Range  $targetRange  null for the full one
     * @param  ?Range  $range  how far it really went; null for the full one, which is what absent means
     * @param  bool  $noRange  it did not move at all
     * @param  bool  $open  a hold meant to run to the first fault
     * @param  bool  $timed  the target is a time of work in a circuit, in which nobody counts
     * @param  ?int  $targetHold  milliseconds held in every repetition; null where nobody wrote it
     * @param  ?int  $hold  milliseconds really held in every repetition
     * @param  bool  $left  not begun, since the session was ended early: no short set, and nothing that earns a step
     */
    public function __construct(
        public readonly ?string $side,
        public readonly int|float $target,
        public readonly int|float $done,
        public readonly ?array $faults,
        public readonly array $cued,
        public readonly ?string $endedBy,
        public readonly ?int $pain,
        public readonly ?PainKind $painKind,
        public readonly ?int $effort,
        public readonly ?bool $breathing,
        public readonly array $felt = [],
        public readonly ?Range $targetRange = null,
        public readonly ?Range $range = null,
        public readonly bool $noRange = false,
        public readonly bool $open = false,
        public readonly bool $timed = false,
        public readonly ?int $targetHold = null,
        public readonly ?int $hold = null,
        public readonly bool $left = false,
    ) {
    }

    /**
     * What counts of a set that was worked at for a time: where the rung is counted, the number is information, and it was done or not
     * begun; where it is held, the time is what counts.
     *
     * @return array{int|float, int|float} target and done
     */
    public static function ofWork(Rung $rung, int|float $target, int|float $done): array
    {
        return $rung->unit() === Unit::Seconds ? [$target, $done] : [1, min(1, $done)];
    }

    /** Under its target in amount, or in the hold of its repetitions. */
    public function isShort(): bool
    {
        return ! $this->left && (
            $this->done < $this->target || ($this->targetHold !== null && $this->hold !== null && $this->hold < $this->targetHold)
        );
    }

    public function isShortOfRange(RangeScale $scale): bool
    {
        return $this->noRange || $scale->perMille($this->range) < $scale->perMille($this->targetRange);
    }

    /** Whether the target asks at least a measure; a time of work does whatever it is. */
    public function asks(Measure $measure): bool
    {
        return $this->timed || (
            $this->target >= $measure->amount() && ($this->targetHold === null || $this->targetHold >= Steps::heldInRep($measure))
        );
    }

    /** @return list<string> every fault of the set, the one that ended it too; the end of an open hold at its target is its score */
    public function allFaults(): array
    {
        $score = $this->open && ! $this->isShort() ? $this->endedBy : null;
        $all = [...($this->faults ?? []), ...($this->endedBy === null ? [] : [$this->endedBy])];

        return array_values(array_unique(array_filter($all, static fn (string $fault): bool => $fault !== $score)));
    }

    /** Whether anything was done or said. */
    public function isReported(): bool
    {
        return $this->done > 0 || $this->pain !== null || $this->painKind?->stops() === true || $this->allFaults() !== [];
    }
}
