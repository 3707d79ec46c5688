<?php

declare(strict_types=1);

namespace EvenRungs\Devices\Camera;

use EvenRungs\Core\Figure\Movement;
use EvenRungs\Core\Figure\Vector;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Review\Line\Marks;
use EvenRungs\Core\Review\Line\Spot;

/**
 * A film of the simulated camera: the product's own figure of a rung in flesh, with stickers, drawn when it is asked for.
 */
final class Film
{
    /** How long the hips take to leave the line. Seconds. */
    private const FALL_S = 0.3;

    /** How far the hips go up and down with each breath, in hundredths of body height, and how long a breath takes. */
    private const BREATH = 0.25;

    private const BREATH_S = 4.0;

    private const FRAME_MS = 100;

    private const REPEATED = 3;

    /** What goes down with the hips, and how much of it. */
    private const SINKS = ['pelvis' => 1.0, 'hip-r' => 1.0, 'hip-l' => 1.0, 'waist' => 0.6, 'knee-r' => 0.4, 'knee-l' => 0.4];

    /** @var array<string, Vector> by joint: along the body from foot to head, up, and towards the camera */
    private readonly array $body;

    /** @var array<string, string> joint by point of a line */
    private readonly array $joints;

    public function __construct(private readonly Scene $scene, Library $library)
    {
        $figure = $library->rung($scene->rung)->figure();
        $movement = new Movement($figure);
        $isLifted = str_contains($scene->rung, 'bridge');
        $points = ($isLifted ? $movement->furthest() : $movement->first())->points;
        // on the side the bottom leg is looked at
        $side = $points['hip-l']->y < $points['hip-r']->y - 2 ? '-l' : '-r';
        $ofSide = array_map(
            static fn (string $joint): string => $joint.$side,
            ['shoulder' => 'shoulder', 'hip' => 'hip', 'knee' => 'knee', 'ankle' => 'ankle'],
        );
        $this->joints = ['ear' => 'head', ...$ofSide];
        $along = $points['neck']->minus($points['knee'.$side]);
        $along = (new Vector($along->x, 0, $along->z))->unit();
        $near = $along->cross(new Vector(0, 1, 0))->times($points['hip-r']->z >= $points['hip-l']->z ? 1 : -1);
        $this->body = array_map(
            static fn (Vector $point): Vector => new Vector($along->dot($point), $point->y, $near->dot($point)),
            $points,
        );
    }

    /** @return array<string, Vector> the body at a moment, in hundredths of its height */
    private function at(int $ms): array
    {
        $fault = $this->scene->faultAfterS;
        $share = match (true) {
            $fault === null => 0.0,
            $fault === 0.0 => 1.0,
            default => max(0.0, min(1.0, ($ms / 1000 - $fault) / self::FALL_S)),
        };
        $down = $share * $this->scene->sag + self::BREATH * sin(2 * M_PI * $ms / 1000 / self::BREATH_S);
        $body = $this->body;
        foreach (self::SINKS as $joint => $part) {
            $body[$joint] = $body[$joint]->minus(new Vector(0, $part * $down, 0));
        }

        return $body;
    }

    /** Where the points of the body really are, seen squarely from the side: what a line check should find. */
    public function truth(int $ms): Marks
    {
        $body = $this->at($ms);

        return Marks::fromSide(array_map(
            static fn (string $joint): Spot => new Spot($body[$joint]->x, -$body[$joint]->y),
            $this->joints,
        ));
    }

    /** @return string the picture of a moment as JPEG, 640 × 480 */
    public function frame(int $ms): string
    {
        $isLit = $ms >= 1000 * ($this->scene->faultAfterS ?? INF);

        return (new Painter($this->scene, $this->scene->lamp ? $isLit : null))->paint($this->at($ms), $this->joints);
    }

    /**
     * Writes the film as a stream of JPEG pictures, as a browser's simulated capture device plays it: thirty a second, each one three
     * times.
     *
     * @param  int  $ms  how long it is
     */
    public function record(string $file, int $ms): void
    {
        $stream = fopen($file, 'wb');
        for ($at = 0; $stream !== false && $at < $ms; $at += self::FRAME_MS) {
            fwrite($stream, str_repeat($this->frame($at), self::REPEATED));
        }
        $stream === false || fclose($stream);
    }
}
