<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Review\Line\JointAngle;
use EvenRungs\Core\Review\Line\JudgedLine;
use EvenRungs\Core\Review\Line\Marks;
use EvenRungs\Core\Review\Line\Spot;

/**
 * The joints of one picture, and what their line is.
 */
final class LineJson
{
    public const FORMAT = 'even-rungs/line';

    /**
     * The exercise that is looked at, and what is marked.
     *
     * @return array{Rung, Marks}
     *
     * @throws UnusableInput with everything that is wrong: an exercise that is not there or has no line, too few points, two on one spot
     */
    public static function read(Node $node, Library $library): array
    {
        $problems = [];
        $rung = $marks = null;
        try {
            $rung = self::rung($node, $library);
        } catch (UnusableInput $e) {
            $problems = $e->problems;
        }
        try {
            $marks = self::marks($node);
        } catch (UnusableInput $e) {
            $problems = [...$problems, ...$e->problems];
        }

        if ($problems !== []) {
            throw new UnusableInput($problems);
        }
        assert($rung !== null && $marks !== null);

        return [$rung, $marks];
    }

    /**
     * What is marked.
     *
     * @throws UnusableInput with everything that is wrong: too few points, two on one spot
     */
    public static function marks(Node $node): Marks
    {
        $problems = [];
        $marks = Marks::none();
        try {
            $marks = self::points($node->optionalChild('points')) ?? $marks;
        } catch (UnusableInput $e) {
            $problems = $e->problems;
        }
        try {
            $marks = self::level($node->optionalChild('level'), $marks);
        } catch (UnusableInput $e) {
            $problems = [...$problems, ...$e->problems];
        }

        return $problems === [] ? $marks : throw new UnusableInput($problems);
    }

    /** @throws UnusableInput */
    private static function rung(Node $node, Library $library): Rung
    {
        $rung = NamedRung::at($node, 'rung', $library);
        if ($node->has('points') && ($rung->line->joints ?? []) === []) {
            throw UnusableInput::at($node->path('rung'), sprintf(
                'is %s, which has no line that is judged from the side; there are %s',
                lcfirst($rung->name),
                implode(', ', self::withALine($library)),
            ));
        }

        return $rung;
    }

    /** @throws UnusableInput */
    private static function points(?Node $points): ?Marks
    {
        return $points?->guard(static fn (): Marks => Marks::fromSide(
            array_map(static fn (string $name): Spot => self::spot($points, $name), array_combine($points->keys(), $points->keys())),
        ));
    }

    /** @throws UnusableInput */
    private static function level(?Node $level, Marks $marks): Marks
    {
        return $level === null ? $marks : $level->guard(static fn (): Marks => $marks->withLevel(...self::pair($level)));
    }

    /** @return array{Spot, Spot} */
    public static function pair(Node $node): array
    {
        return [self::spot($node, '0'), self::spot($node, '1')];
    }

    private static function spot(Node $node, string $key): Spot
    {
        [$x, $y] = array_values($node->child($key)->numbers());

        return new Spot((float) $x, (float) $y);
    }

    /** @return list<string> ids */
    private static function withALine(Library $library): array
    {
        $with = array_filter($library->rungs(), static fn (Rung $rung): bool => ($rung->line->joints ?? []) !== []);

        return array_values(array_map(static fn (Rung $rung): string => $rung->id, $with));
    }

    /**
     * @param  float  $scale  of the picture in which they are written to that in which they were marked
     * @return array<string, mixed>
     */
    public static function writeMarks(Marks $marks, float $scale = 1.0): array
    {
        $spot = static fn (Spot $spot): array => [round($scale * $spot->x, 2), round($scale * $spot->y, 2)];

        return [
            ...($marks->points === [] ? [] : ['points' => array_map($spot, $marks->points)]),
            ...($marks->level === null ? [] : ['level' => array_map($spot, $marks->level)]),
        ];
    }

    /** @return array<string, mixed> */
    public static function write(JudgedLine $line): array
    {
        return [
            'angles' => array_map(static fn (JointAngle $each): array => [
                'at' => $each->joint,
                'degrees' => $each->degrees,
                'off' => $each->off,
                'meant' => $each->meant === null ? null : [$each->meant->least, $each->meant->most],
                'fault' => $each->fault(),
            ], $line->angles),
            'drop_percent' => $line->dropPercent,
            'tilt_degrees' => $line->tilt,
            'faults' => $line->faults,
            'not_judged' => $line->notJudged,
            'text' => $line->text,
        ];
    }
}
