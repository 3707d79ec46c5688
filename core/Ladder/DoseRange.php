<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Measure;
use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Writing;

/**
 * How a dose compares with what is usual on its rung: from the start dose to the top (common practice, no source). Over
 * twice the top, or over six sets, is far outside (house rule).
 */
final class DoseRange
{
    public const FAR_TIMES_TOP = 2;

    public const MOST_SETS = 6;

    /**
     * @param  string  $text  what is unusual, with the numbers
     * @param  array<string, int|float>  $evidence
     */
    private function __construct(public readonly bool $isFar, public readonly string $text, public readonly array $evidence)
    {
    }

    /**
     * @param  list<Dose>  $steps  of the rung for the client in the style, one or more
     * @param  int  $sets  of the dose; a circuit's rounds
     * @return ?self null where the dose is usual, or counted otherwise than the rung's own
     */
    public static function outside(Dose $dose, array $steps, int $sets): ?self
    {
        if ($sets > self::MOST_SETS) {
            return new self(
                true,
                sprintf('%d sets; more than %d are seldom of use', $sets, self::MOST_SETS),
                ['sets' => $sets, 'most_sets' => self::MOST_SETS],
            );
        }
        $start = ($steps[0] ?? $dose)->measure;
        $top = ($steps[count($steps) - 1] ?? $dose)->measure;
        if (self::counted($dose->measure) !== self::counted($start) || self::counted($dose->measure) !== self::counted($top)) {
            return null;
        }
        [$least, $most, $given] = [$start->amount(), $top->amount(), $dose->measure->amount()];
        if ($given >= min($least, $most) && $given <= max($least, $most)) {
            return null;
        }
        $inPieces = $dose->measure->kind() === MeasureKind::Intervals && array_filter(
            $steps,
            static fn (Dose $step): bool => $step->measure->kind() === MeasureKind::Hold,
        ) !== [];
        if ($inPieces && $given <= self::FAR_TIMES_TOP * $most) {
            // each piece is looked at against the cap, the whole only for being far out
            return null;
        }
        $unit = self::counted($start);
        $scale = $unit === 's' ? 1000 : 1;
        $shown = static fn (int|float $amount): string => Writing::number($amount / $scale);

        return new self(
            $given > self::FAR_TIMES_TOP * $most,
            sprintf('%s %s; usual here are %s to %s', $shown($given), $unit, $shown($least), $shown($most)),
            ['given' => $given / $scale, 'start' => $least / $scale, 'top' => $most / $scale],
        );
    }

    /** What an amount is counted in; a hold in one piece and in repeats is seconds held. */
    private static function counted(Measure $measure): string
    {
        return match ($measure->kind()) {
            MeasureKind::Reps => 'repetitions',
            MeasureKind::Distance => 'm',
            MeasureKind::Work => 's of work',
            MeasureKind::Hold, MeasureKind::Intervals => 's',
        };
    }
}
