<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\InvalidValue;

/**
 * How the range of a rung is cut and given back: by quarters of the full range down to half of it, or by its own steps in
 * centimetres down to one of them (house rule; about 15 cm a step on rollouts: common practice, no source).
 */
final class RangeScale
{
    private const FULL = 1000;

    private const QUARTER = 250;

    private const LEAST = 500;

    private function __construct(private readonly int|float|null $stepCm, private readonly int|float|null $fullCm)
    {
    }

    public static function share(): self
    {
        return new self(null, null);
    }

    /** @throws InvalidValue when a step is longer than the full range */
    public static function cm(int|float $step, int|float $full): self
    {
        if ($step > $full) {
            throw Contradiction::because('a step of the range is longer than the full range');
        }
        Range::cm($step);
        Range::cm($full);

        return new self($step, $full);
    }

    public function isCm(): bool
    {
        return $this->fullCm !== null;
    }

    /** @return list<Range> what the range grows through, the full one last; none where it is a share */
    public function growing(): array
    {
        if ($this->stepCm === null || $this->fullCm === null) {
            return [];
        }
        $ranges = [];
        for ($cm = $this->stepCm; $cm < $this->fullCm; $cm += $this->stepCm) {
            $ranges[] = Range::cm($cm);
        }

        return [...$ranges, Range::cm($this->fullCm)];
    }

    /** Thousandths of the full range; null is the full one. */
    public function perMille(?Range $range): int
    {
        return match (true) {
            $range === null => self::FULL,
            $range->share !== null => (int) round(self::FULL * $range->share),
            $this->fullCm !== null => min(self::FULL, (int) floor(self::FULL * (float) $range->cm / $this->fullCm + 1e-6)),
            // centimetres on a rung that is not measured in them say nothing of its full range
            default => self::FULL,
        };
    }

    /** One step less; null at the least. */
    public function less(?Range $range): ?Range
    {
        if ($this->stepCm !== null) {
            $cm = $this->inCm($range);

            return $cm <= $this->stepCm ? null : Range::cm(max($this->stepCm, $cm - $this->stepCm));
        }
        $now = $this->perMille($range);

        return $now <= self::LEAST ? null : Range::share(max(self::LEAST, $now - self::QUARTER) / self::FULL);
    }

    /** One step more, up to the full range. */
    public function more(?Range $range): Range
    {
        if ($this->stepCm !== null && $this->fullCm !== null) {
            return Range::cm(min($this->fullCm, $this->inCm($range) + $this->stepCm));
        }
        $more = min(self::FULL, $this->perMille($range) + self::QUARTER);

        return Range::share($more === self::FULL ? 1 : $more / self::FULL);
    }

    private function inCm(?Range $range): int|float
    {
        return $range->cm ?? ($this->fullCm ?? 0) * ($range->share ?? 1);
    }

    /** @return string|array{step_cm: int|float, full_cm: int|float} as a ladder file has it */
    public function document(): string|array
    {
        return $this->stepCm === null || $this->fullCm === null ? 'share' : ['step_cm' => $this->stepCm, 'full_cm' => $this->fullCm];
    }
}
