<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * A line, a disc or a box of a drawing, in the picture's own plane: right and down.
 */
final class Shape
{
    /**
     * @param  'line'|'disc'|'box'  $form
     * @param  'kit'|'round'|'fixed'|'stretch'  $style
     * @param  list<float>  $numbers  line: x1 y1 x2 y2; disc: x y r; box: x y width height
     */
    public function __construct(
        public readonly string $form,
        public readonly string $style,
        public readonly array $numbers,
    ) {
    }

    /** @param  'kit'|'round'|'fixed'|'stretch'  $style */
    public static function line(View $view, Vector $a, Vector $b, string $style): self
    {
        [$from, $to] = [$view->project($a), $view->project($b)];

        return new self('line', $style, [$from[0], $from[1], $to[0], $to[1]]);
    }

    /** @param  'kit'|'round'|'fixed'|'stretch'  $style */
    public static function disc(View $view, Vector $centre, float $radius, string $style): self
    {
        $at = $view->project($centre);

        return new self('disc', $style, [$at[0], $at[1], $radius]);
    }
}
