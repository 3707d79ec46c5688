<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Writing;

/**
 * How far a movement goes: as a share of the full range, or in centimetres.
 */
final class Range
{
    private function __construct(public readonly int|float|null $share, public readonly int|float|null $cm)
    {
    }

    /**
     * @param  int|float  $share  over 0 to 1
     *
     * @throws InvalidValue when out of range
     */
    public static function share(int|float $share): self
    {
        Bounds::Range->check($share);

        return new self($share, null);
    }

    /**
     * @param  int|float  $cm  1 to 300 cm
     *
     * @throws InvalidValue when out of range
     */
    public static function cm(int|float $cm): self
    {
        Bounds::RangeCm->check($cm);

        return new self(null, $cm);
    }

    /** As trainers write it: `30 cm`, `half range`, `75% range`. */
    public function toShort(): string
    {
        return match (true) {
            $this->cm !== null => Writing::reach($this->cm),
            $this->share === 0.5 => 'half range',
            default => Writing::number(($this->share ?? 1) * 100).'% range',
        };
    }

    /** In whole words, for the client's sheet. */
    public function toWords(): string
    {
        return match (true) {
            $this->cm !== null => Writing::reach($this->cm).' far',
            $this->share === 0.5 => 'half the range',
            default => Writing::number(($this->share ?? 1) * 100).' % of the range',
        };
    }
}
