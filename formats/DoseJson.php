<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

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
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * A dose in entry form.
 */
final class DoseJson
{
    /** @throws InvalidValue */
    public static function read(Node $node): Dose
    {
        return new Dose(
            self::readMeasure($node),
            $node->optionalInt('sets') ?? 1,
            Side::tryFrom($node->optionalString('side') ?? ''),
            self::seconds($node, 'rest_s'),
            $node->optionalNumber('load_kg'),
            self::readRange($node),
        );
    }

    /** @throws InvalidValue when both a share and centimetres are written */
    public static function readRange(Node $node, string $prefix = ''): ?Range
    {
        [$share, $cm] = [$node->optionalNumber($prefix.'range'), $node->optionalNumber($prefix.'range_cm')];
        if ($share !== null && $cm !== null) {
            throw Contradiction::because(sprintf('has both %srange and %srange_cm; one of them counts', $prefix, $prefix));
        }

        return match (true) {
            $share !== null => Range::share($share),
            $cm !== null => Range::cm($cm),
            default => null,
        };
    }

    /** @return array<string, int|float> */
    public static function writeRange(?Range $range): array
    {
        return array_filter(['range' => $range?->share, 'range_cm' => $range?->cm], static fn (mixed $value): bool => $value !== null);
    }

    private static function readMeasure(Node $node): Measure
    {
        if ($node->has('reps')) {
            $tempo = $node->optionalString('tempo');

            return new Reps($node->int('reps'), $tempo === null ? null : Tempo::parse($tempo), self::seconds($node, 'hold_s'));
        }
        if ($node->has('intervals')) {
            $intervals = $node->child('intervals');

            return new Intervals(
                $intervals->int('count'),
                Seconds::of($intervals->number('hold_s')),
                Seconds::of($intervals->number('rest_s')),
            );
        }
        if ($node->has('work_s')) {
            return new Work(Seconds::of($node->number('work_s')));
        }
        if ($node->has('distance_m')) {
            return new Distance($node->number('distance_m'), $node->optionalNumber('pace_m_s'));
        }

        return new Hold(Seconds::of($node->number('hold_s')));
    }

    private static function seconds(Node $node, string $key): ?Seconds
    {
        $value = $node->optionalNumber($key);

        return $value === null ? null : Seconds::of($value);
    }

    /**
     * @param  bool  $inCircuit  a circuit counts rounds, so sets are left out
     * @return array<string, mixed>
     */
    public static function write(Dose $dose, bool $inCircuit = false): array
    {
        return array_filter([
            'sets' => $inCircuit ? null : $dose->sets,
            ...self::writeMeasure($dose->measure),
            'side' => $dose->side?->value,
            'rest_s' => $dose->rest?->toNumber(),
            'load_kg' => $dose->loadKg,
            ...self::writeRange($dose->range),
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** @return array<string, mixed> */
    private static function writeMeasure(Measure $measure): array
    {
        return match (true) {
            $measure instanceof Reps => [
                'reps' => $measure->count,
                'hold_s' => $measure->hold?->toNumber(),
                'tempo' => $measure->tempo?->toString(),
            ],
            $measure instanceof Hold => ['hold_s' => $measure->time->toNumber()],
            $measure instanceof Intervals => [
                'intervals' => [
                    'count' => $measure->count,
                    'hold_s' => $measure->hold->toNumber(),
                    'rest_s' => $measure->break->toNumber(),
                ],
            ],
            $measure instanceof Work => ['work_s' => $measure->time->toNumber()],
            $measure instanceof Distance => ['distance_m' => $measure->metres, 'pace_m_s' => $measure->pace],
            default => throw Contradiction::because('a measure that has no JSON form'),
        };
    }
}
