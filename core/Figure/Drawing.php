<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

use EvenRungs\Core\Dose\Tempo;

/**
 * A figure ready to be shown: what is drawn, from far to near, and the points of each picture in turn.
 */
final class Drawing
{
    private const MARGIN = 5.0;

    /** Least width of what is shown: who stands is drawn as large as who lies. */
    private const WIDTH = 112.0;

    /** A limb that lies this much farther than the trunk is drawn behind it. */
    private const BEHIND = 4.5;

    /** Who hangs this far above the floor all the time is drawn without it. */
    private const CLEAR = 8.0;

    /** Seconds that a hold is shown, and that a way takes where no tempo is written. */
    private const UNCOUNTED_S = 1.2;

    /**
     * @param  list<array{part: 'far'|'near'|'trunk'|'head', joints: list<string>}>  $strokes  far ones first
     * @param  list<string>  $joints  the order of the points in a picture
     * @param  list<Picture>  $pictures
     * @param  list<array{picture: int, seconds: float}>  $beats  when each picture is reached, from the first on and around again
     * @param  int  $still  the picture that shows the exercise best when it does not move
     * @param  array{float, float, float, float}  $box  left, top, width, height of everything drawn
     * @param  list<array{float, float}>  $floor  corners of the floor under the figure
     * @param  bool  $held  whether nothing moves in it, or what it moves to is held
     */
    private function __construct(
        public readonly array $strokes,
        public readonly array $joints,
        public readonly array $pictures,
        public readonly array $beats,
        public readonly int $still,
        public readonly array $box,
        public readonly array $floor,
        public readonly bool $held,
    ) {
    }

    /**
     * @param  ?Tempo  $tempo  of the repetition it shows; null where nothing is counted
     * @param  float  $holdS  seconds that each repetition is held, beside its tempo
     */
    public static function of(Figure $figure, ?Tempo $tempo, float $holdS = 0.0): self
    {
        $movement = new Movement($figure);
        $view = $figure->view();
        $pictures = [];
        $beats = [];
        $times = self::times($figure, $tempo, $holdS);
        foreach ($movement->ways() as $w => $way) {
            [$moving, $pause] = $times[$w % 2];
            foreach ($way as $i => $body) {
                $beats[] = ['picture' => count($pictures), 'seconds' => $i === 0 ? $pause : $moving / max(1, count($way) - 1)];
                $pictures[] = Picture::of($body, $movement->first(), $figure, $view);
            }
        }
        if (count($pictures) === 1) {
            $beats = [];
        }

        $floor = self::floor($movement->ways(), $view);

        return new self(
            self::strokes($movement->first(), $view),
            array_keys($movement->first()->points),
            $pictures,
            $beats,
            count($pictures) === 1 ? 0 : Movement::SAMPLES,
            self::box($pictures, $floor),
            $floor,
            $figure->to === [] || $figure->heldAtEnd,
        );
    }

    /** Start and end; of what is held the pose that it is taken up from, where one is known, and the hold. */
    public static function ends(Figure $figure): self
    {
        $movement = new Movement($figure);
        $bodies = match (true) {
            $figure->to !== [] => [$movement->first(), $movement->furthest()],
            $figure->from !== null => [(new Movement($figure->from))->first(), $movement->first()],
            default => [$movement->first()],
        };
        $view = $figure->view();
        $pictures = array_map(static fn (Body $body): Picture => Picture::of($body, $movement->first(), $figure, $view), $bodies);
        $floor = self::floor([$bodies], $view);

        return new self(
            self::strokes($movement->first(), $view),
            array_keys($movement->first()->points),
            $pictures,
            [],
            count($pictures) - 1,
            self::box($pictures, $floor),
            $floor,
            $figure->to === [] || $figure->heldAtEnd,
        );
    }

    /**
     * @return array{array{float, float}, array{float, float}} for the way out and the way back: seconds it takes, and the pause before it
     */
    private static function times(Figure $figure, ?Tempo $tempo, float $holdS): array
    {
        if ($tempo === null) {
            return [[self::UNCOUNTED_S, 0.0], [self::UNCOUNTED_S, 0.0]];
        }
        [$lowering, $low, $lifting, $high] = array_map(floatval(...), $tempo->parts());

        return $figure->lowersFirst
            ? [[$lowering, $high], [$lifting, $low + $holdS]]
            : [[$lifting, $low], [$lowering, $high + $holdS]];
    }

    /** @return list<array{part: 'far'|'near'|'trunk'|'head', joints: list<string>}> */
    private static function strokes(Body $body, View $view): array
    {
        $strokes = [];
        foreach (['-r', '-l'] as $side) {
            $strokes[] = ['joints' => ['neck', 'shoulder'.$side, 'elbow'.$side, 'hand'.$side]];
            $strokes[] = ['joints' => ['pelvis', 'hip'.$side, 'knee'.$side, 'ankle'.$side, 'toe'.$side]];
        }
        $trunk = self::depth($body, $view, ['pelvis', 'waist', 'neck']);
        $parts = [];
        foreach ($strokes as $stroke) {
            $parts[] = [
                'part' => self::depth($body, $view, array_slice($stroke['joints'], 1)) < $trunk - self::BEHIND ? 'far' : 'near',
                'joints' => $stroke['joints'],
            ];
        }
        $far = array_values(array_filter($parts, static fn (array $each): bool => $each['part'] === 'far'));
        $near = array_values(array_filter($parts, static fn (array $each): bool => $each['part'] === 'near'));

        return [...$far, ['part' => 'trunk', 'joints' => ['pelvis', 'waist', 'neck']], ['part' => 'head', 'joints' => ['head']], ...$near];
    }

    /** @param  list<string>  $joints */
    private static function depth(Body $body, View $view, array $joints): float
    {
        $sum = 0.0;
        foreach ($joints as $joint) {
            $sum += $view->depth($body->point($joint));
        }

        return $sum / max(1, count($joints));
    }

    /**
     * @param  list<list<Body>>  $ways
     * @return list<array{float, float}>
     */
    private static function floor(array $ways, View $view): array
    {
        [$back, $front, $left, $right, $low] = [INF, -INF, INF, -INF, INF];
        foreach (array_merge([], ...$ways) as $body) {
            foreach ($body->points as $point) {
                $low = min($low, $point->y);
                $back = min($back, $point->x - self::MARGIN);
                $front = max($front, $point->x + self::MARGIN);
                $left = min($left, $point->z - self::MARGIN);
                $right = max($right, $point->z + self::MARGIN);
            }
        }

        return $low > self::CLEAR ? [] : array_map(
            static fn (array $corner): array => $view->project(new Vector($corner[0], 0, $corner[1])),
            [[$back, $left], [$front, $left], [$front, $right], [$back, $right]],
        );
    }

    /**
     * @param  list<Picture>  $pictures
     * @param  list<array{float, float}>  $floor
     * @return array{float, float, float, float}
     */
    private static function box(array $pictures, array $floor): array
    {
        [$left, $top, $right, $bottom] = [INF, INF, -INF, -INF];
        foreach (array_merge($floor, ...array_map(static fn (Picture $picture): array => $picture->corners(), $pictures)) as [$x, $y]) {
            $left = min($left, $x);
            $top = min($top, $y);
            $right = max($right, $x);
            $bottom = max($bottom, $y);
        }

        $width = max(self::WIDTH, $right - $left + 2);

        return [($left + $right - $width) / 2, $top - 1, $width, $bottom - $top + 2];
    }
}
