<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * One moment of a figure, in the picture's own plane: right and down.
 */
final class Picture
{
    /**
     * @param  array<string, array{float, float}>  $points  by joint
     * @param  list<Shape>  $shapes  of the kit
     */
    private function __construct(public readonly array $points, public readonly array $shapes)
    {
    }

    public static function of(Body $body, Body $first, Figure $figure, View $view): self
    {
        $points = [];
        foreach ($body->points as $joint => $point) {
            $points[$joint] = $view->project($point);
        }

        return new self(
            $points,
            array_merge([], ...array_map(static fn (Prop $prop): array => $prop->shapes($body, $first, $view), $figure->props)),
        );
    }

    /** @return list<array{float, float}> points that everything drawn lies between */
    public function corners(): array
    {
        $corners = [];
        foreach ($this->points as $joint => [$x, $y]) {
            $r = Body::radius($joint);
            $corners[] = [$x - $r, $y - $r];
            $corners[] = [$x + $r, $y + $r];
        }
        foreach ($this->shapes as $shape) {
            $n = $shape->numbers;
            array_push($corners, ...match ($shape->form) {
                'line' => [[$n[0], $n[1]], [$n[2] ?? 0.0, $n[3] ?? 0.0]],
                'disc' => [[$n[0] - ($n[2] ?? 0), $n[1] - ($n[2] ?? 0)], [$n[0] + ($n[2] ?? 0), $n[1] + ($n[2] ?? 0)]],
                'outline' => array_map(static fn (array $corner): array => [$corner[0], $corner[1] ?? 0.0], array_chunk($n, 2)),
                'box' => [[$n[0], $n[1]], [$n[0] + ($n[2] ?? 0), $n[1] + ($n[3] ?? 0)]],
            });
        }

        return $corners;
    }
}
