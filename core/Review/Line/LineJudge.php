<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Line;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\RungLine;

/**
 * Judges the points of one picture by what the rung means them to be (house rules). It says nothing of the low back's arch, which a line
 * through joints cannot see.
 */
final class LineJudge
{
    /** A line that leans more is not judged: above and below mean nothing there. Degrees. */
    public const STEEP = 60.0;

    /** Degrees up to which two points are level. */
    public const LEVEL = 2.0;

    /** Degrees over which one side hangs; between the two it is too close to call. */
    public const TILTED = 4.0;

    public const TILT_FAULT = 'hip-drops-one-side';

    /** Whoever is no more off than this is told that the line is straight. Degrees. */
    private const STRAIGHT = 5.0;

    /**
     * @throws InvalidValue when points are given on a rung without a line
     */
    public static function judge(Rung $rung, Marks $marks): JudgedLine
    {
        $line = $rung->line ?? new RungLine([]);
        if ($marks->points !== [] && $line->joints === []) {
            throw Contradiction::because(sprintf('%s has no line that is judged from the side', $rung->name));
        }
        $angles = $notJudged = $text = [];
        foreach ($marks->joints() as $joint => [$at, $head, $foot]) {
            if (self::tenths($head->lean($foot)) > self::STEEP) {
                $notJudged[] = $joint;
                $text[] = sprintf('%s: the line leans more than %d°, which is not judged.', ucfirst($joint), self::STEEP);

                continue;
            }
            $degrees = self::tenths($at->between($head, $foot));
            $off = self::tenths(180 - $degrees);
            $meant = $line->of($joint);
            $angles[] = $angle = new JointAngle($joint, $degrees, $off === 0.0 || $at->isAbove($head, $foot) ? $off : -$off, $meant);
            if ($meant === null) {
                $notJudged[] = $joint;
            }
            $text[] = self::said($angle);
        }
        $tilt = self::tilt($marks);
        if ($tilt !== null) {
            $text[] = self::saidOfTilt($tilt);
        }
        $faults = array_map(static fn (JointAngle $each): ?string => $each->fault(), $angles);

        return new JudgedLine($angles, self::drop($marks), $tilt, array_values(array_unique(array_filter([
            ...$faults,
            $tilt !== null && $tilt > self::TILTED ? self::TILT_FAULT : null,
        ]))), $notJudged, $text);
    }

    private static function drop(Marks $marks): ?float
    {
        $p = $marks->points;
        $foot = $p['ankle'] ?? $p['knee'] ?? null;
        if ($foot === null || ! isset($p['shoulder'], $p['hip'])) {
            return null;
        }
        if (self::tenths($p['shoulder']->lean($foot)) > self::STEEP) {
            return null;
        }
        $percent = self::tenths($p['hip']->percentFrom($p['shoulder'], $foot));

        return $percent === 0.0 || $p['hip']->isAbove($p['shoulder'], $foot) ? $percent : -$percent;
    }

    private static function tilt(Marks $marks): ?float
    {
        return $marks->level === null ? null : self::tenths($marks->level[0]->lean($marks->level[1]));
    }

    private static function said(JointAngle $angle): string
    {
        $joint = ucfirst($angle->joint);
        $off = abs($angle->off);
        $where = $angle->off < 0 ? 'below' : 'above';
        $meant = $angle->meant;

        return match (true) {
            $meant === null => sprintf('%s: %.1f°, not judged on this exercise.', $joint, $angle->degrees),
            $angle->isOff() => sprintf(
                '%s: %.1f° %s the straight line; up to %d° is meant.',
                $joint,
                $off,
                $where,
                abs($angle->off < 0 ? $meant->least : $meant->most),
            ),
            $off <= self::STRAIGHT => sprintf('%s: straight within %d°.', $joint, self::STRAIGHT),
            default => sprintf('%s: %.1f° %s the straight line, which is as it is meant.', $joint, $off, $where),
        };
    }

    private static function saidOfTilt(float $tilt): string
    {
        return match (true) {
            $tilt <= self::LEVEL => sprintf('Level within %d°.', self::LEVEL),
            $tilt <= self::TILTED => sprintf('Tilted by %.1f°: too close to call.', $tilt),
            default => sprintf('Tilted by %.1f°; up to %d° counts as level.', $tilt, self::LEVEL),
        };
    }

    private static function tenths(float $number): float
    {
        return round($number, 1);
    }
}
