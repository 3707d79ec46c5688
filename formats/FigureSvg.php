<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Figure\Body;
use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Core\Figure\Picture;
use EvenRungs\Core\Figure\Shape;

/**
 * A picture of a figure as SVG in black, grey and white, for paper.
 */
final class FigureSvg
{
    private const WIDTHS = ['far' => 4.4, 'near' => 4.4, 'trunk' => 8.0];

    /** A leg has one joint more. Only arms are set off from the trunk that they cross. */
    private const ARM_JOINTS = 4;

    private const BEHIND = ['fixed', 'under'];

    /** As high as somebody who stands: who lies is drawn no larger. */
    private const STANDING = 104.0;

    /** @return list<string> start and end, or the one picture there is */
    public static function all(Drawing $drawing): array
    {
        return array_map(static fn (Picture $picture): string => self::of($drawing, $picture), $drawing->pictures);
    }

    private static function of(Drawing $drawing, Picture $picture): string
    {
        [$left, $top, $width, $height] = $drawing->box;
        $more = max(0, self::STANDING - $height);
        $behind = array_filter($picture->shapes, static fn (Shape $shape): bool => in_array($shape->style, self::BEHIND, true));
        $before = array_diff_key($picture->shapes, $behind);

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$s" height="%2$s" viewBox="%3$s %4$s %1$s %2$s">',
            self::n($width),
            self::n($height + $more),
            self::n($left),
            self::n($top - $more),
        )
            .($drawing->floor === [] ? '' : sprintf('<polygon points="%s" fill="#dddddd"/>', self::points($drawing->floor)))
            .implode('', array_map(self::shape(...), $behind))
            .implode('', array_map(static fn (array $stroke): string => self::stroke($stroke, $picture), $drawing->strokes))
            .implode('', array_map(self::shape(...), $before)).'</svg>';
    }

    /** @param  array{part: 'far'|'near'|'trunk'|'head', joints: list<string>}  $stroke */
    private static function stroke(array $stroke, Picture $picture): string
    {
        $points = array_map(static fn (string $joint): array => $picture->points[$joint], $stroke['joints']);
        if ($stroke['part'] === 'head') {
            [$x, $y] = array_map(self::n(...), $points[0]);

            return sprintf('<circle cx="%s" cy="%s" r="%s" fill="#000000"/>', $x, $y, Body::RADIUS['head']);
        }
        $line = self::line($points, self::WIDTHS[$stroke['part']], $stroke['part'] === 'far' ? '#888888' : '#000000');
        $isArm = $stroke['part'] === 'near' && count($points) === self::ARM_JOINTS;

        return ($isArm ? self::line($points, self::WIDTHS['near'] + 2.2, '#ffffff') : '').$line;
    }

    /** @param  list<array{float, float}>  $points */
    private static function line(array $points, float $width, string $colour): string
    {
        return sprintf(
            '<polyline points="%s" fill="none" stroke="%s" stroke-width="%s" stroke-linecap="round" stroke-linejoin="round"/>',
            self::points($points),
            $colour,
            $width,
        );
    }

    private static function shape(Shape $shape): string
    {
        $look = match ($shape->style) {
            'kit' => 'fill="#555555" stroke="#000000"',
            'hole' => 'fill="#ffffff" stroke="none"',
            'fixed' => 'fill="#cccccc" stroke="#555555"',
            'stretch' => 'fill="none" stroke="#000000" stroke-dasharray="3,3"',
            'round', 'under' => 'fill="none" stroke="#000000"',
        };
        $n = array_map(self::n(...), $shape->numbers);

        return match ($shape->form) {
            'line' => sprintf('<line x1="%s" y1="%s" x2="%s" y2="%s" stroke-width="2" %s/>', $n[0], $n[1], $n[2], $n[3], $look),
            'disc' => sprintf('<circle cx="%s" cy="%s" r="%s" stroke-width="2" %s/>', $n[0], $n[1], $n[2], $look),
            'outline' => sprintf('<polygon points="%s" stroke-width="2" %s/>', implode(' ', $n), $look),
            'box' => sprintf('<rect x="%s" y="%s" width="%s" height="%s" stroke-width="2" %s/>', $n[0], $n[1], $n[2], $n[3], $look),
        };
    }

    /** @param  list<array{float, float}>  $points */
    private static function points(array $points): string
    {
        return implode(' ', array_map(static fn (array $point): string => self::n($point[0]).','.self::n($point[1]), $points));
    }

    private static function n(float $number): string
    {
        return (string) round($number, 1);
    }
}
