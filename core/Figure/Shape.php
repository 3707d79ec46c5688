<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * A line, a disc, a box or an outline of a drawing, in the picture's own plane: right and down.
 */
final class Shape
{
    /**
     * @param  'line'|'disc'|'box'|'outline'  $form
     * @param  'kit'|'round'|'hole'|'under'|'fixed'|'stretch'  $style
     * @param  list<float>  $numbers  line: x1 y1 x2 y2; disc: x y r; box: x y width height; outline: x y of each corner
     */
    public function __construct(
        public readonly string $form,
        public readonly string $style,
        public readonly array $numbers,
    ) {
    }

    /** @param  'kit'|'round'|'hole'|'under'|'fixed'|'stretch'  $style */
    public static function line(View $view, Vector $a, Vector $b, string $style): self
    {
        [$from, $to] = [$view->project($a), $view->project($b)];

        return new self('line', $style, [$from[0], $from[1], $to[0], $to[1]]);
    }

    /** @param  'kit'|'round'|'hole'|'under'|'fixed'|'stretch'  $style */
    public static function disc(View $view, Vector $centre, float $radius, string $style): self
    {
        $at = $view->project($centre);

        return new self('disc', $style, [$at[0], $at[1], $radius]);
    }

    /**
     * What looks the same from everywhere: drawn around where its place is seen.
     *
     * @param  'kit'|'round'|'hole'|'under'|'fixed'|'stretch'  $style
     * @param  list<array{float, float}>  $corners  right and down of the place
     */
    public static function around(View $view, Vector $place, array $corners, string $style): self
    {
        [$x, $y] = $view->project($place);
        $numbers = [];
        foreach ($corners as [$right, $down]) {
            array_push($numbers, $x + $right, $y + $down);
        }

        return new self(count($corners) === 2 ? 'line' : 'outline', $style, $numbers);
    }

    /** A short band around a limb that ends at a joint. */
    public static function sleeve(View $view, Vector $joint, Vector $before, float $size): self
    {
        [$at, $from] = [$view->project($joint), $view->project($before)];
        $length = max(0.1, hypot($from[0] - $at[0], $from[1] - $at[1]));
        [$x, $y] = [($from[0] - $at[0]) / $length, ($from[1] - $at[1]) / $length];
        $numbers = [];
        foreach ([[0.5, -1], [0.5, 1], [2, 1], [2, -1]] as [$along, $across]) {
            $numbers[] = $at[0] + $size * ($along * $x - $across * $y);
            $numbers[] = $at[1] + $size * ($along * $y + $across * $x);
        }

        return new self('outline', 'kit', $numbers);
    }
}
