<?php

declare(strict_types=1);

namespace EvenRungs\Devices\Camera;

use EvenRungs\Core\Figure\Vector;
use GdImage;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Paints a body as a camera sees it, twice as large as it is shown, so that edges are soft.
 */
final class Painter
{
    public const WIDTH = 640;

    public const HEIGHT = 480;

    private const TWICE = 2;

    /** From the camera to the body, in hundredths of body height: some four metres. */
    private const FAR = 240.0;

    /** Of the picture's width that the body takes. */
    private const SHARE = 0.78;

    /** A sticker of five centimetres, in hundredths of body height. */
    private const STICKER = 1.5;

    private const LAMP = 64;

    /** Where somebody else stands, in hundredths of body height: along, up and behind. */
    private const SECOND = [12.0, 34.0, -70.0];

    /** How thick the body is: hundredths of its height. */
    private const LIMBS = [
        ['shoulder-l', 'elbow-l', 3.0, 'skin'], ['elbow-l', 'hand-l', 2.5, 'skin'],
        ['hip-l', 'knee-l', 5.0, 'trousers'], ['knee-l', 'ankle-l', 3.6, 'trousers'], ['ankle-l', 'toe-l', 2.2, 'shoe'],
        ['neck', 'head', 3.0, 'skin'], ['pelvis', 'waist', 7.0, 'shirt'], ['waist', 'neck', 7.4, 'shirt'],
        ['hip-r', 'knee-r', 5.0, 'trousers'], ['knee-r', 'ankle-r', 3.6, 'trousers'], ['ankle-r', 'toe-r', 2.2, 'shoe'],
        ['shoulder-r', 'elbow-r', 3.0, 'skin'], ['elbow-r', 'hand-r', 2.5, 'skin'],
    ];

    private readonly GdImage $image;

    private float $scale = 1.0;

    /** @var array{float, float} the middle of the body, along and up */
    private array $middle = [0.0, 0.0];

    /** @var array<string, int> */
    private readonly array $colours;

    /** @param  ?bool  $lamp  whether the lamp is on; null where there is none */
    public function __construct(private readonly Scene $scene, private readonly ?bool $lamp = null)
    {
        $image = imagecreatetruecolor(self::TWICE * self::WIDTH, self::TWICE * self::HEIGHT);
        assert($image !== false);
        $this->image = $image;
        $chance = new Randomizer(new Mt19937($scene->seed));
        $sticker = $this->colour(...$scene->colour());
        $grey = $chance->getInt(45, 110);
        $this->colours = [
            'sticker' => $sticker,
            'wall' => $scene->wall ? $sticker : $this->colour(196, 198, 200),
            'floor' => $this->colour(120, 112, 104),
            'skin' => [$this->colour(224, 172, 138), $this->colour(141, 95, 70), $this->colour(198, 145, 110)][$chance->getInt(0, 2)],
            'shirt' => $scene->clothing ? $this->colour(
                ...array_map(static fn (int $part): int => intdiv($part * 4, 5), $scene->colour()),
            ) : $this->colour(60, 70, 110),
            'trousers' => $this->colour($grey, $grey, $grey + 10),
            'shoe' => $this->colour(30, 30, 30),
        ];
    }

    /** @param  int<0, 255>  $parts  red, green, blue */
    private function colour(int ...$parts): int
    {
        [$red, $green, $blue] = $parts;

        return ($red << 16) | ($green << 8) | $blue;
    }

    /**
     * @param  array<string, Vector>  $body  along, up and towards the camera, by joint
     * @param  array<string, string>  $joints  that have a sticker, by point
     * @return string JPEG
     */
    public function paint(array $body, array $joints): string
    {
        $along = array_map(static fn (Vector $point): float => $point->x, $body);
        $up = array_map(static fn (Vector $point): float => $point->y, $body);
        $this->middle = [(min($along) + max($along)) / 2, (min($up) + max($up)) / 2];
        $this->scale = self::TWICE * self::WIDTH * self::SHARE / (max($along) - min($along));
        $this->room(min($up));
        if ($this->scene->second !== 'nobody') {
            $other = array_map(static fn (Vector $point): Vector => $point->plus(new Vector(...self::SECOND)), $body);
            $this->person($other, $this->scene->second === 'stickers' ? $joints : []);
        }
        $this->person($body, $this->scene->stickers ? array_diff_key($joints, [$this->scene->hidden ?? '' => true]) : []);
        if ($this->scene->shadow) {
            $this->shadow();
        }

        if ($this->lamp !== null) {
            imagefilledrectangle($this->image, 0, 0, self::LAMP, self::LAMP, $this->lamp ? 0xFFFFFF : 0);
        }

        return $this->developed();
    }

    private function room(float $floor): void
    {
        [$right, $bottom] = [self::TWICE * self::WIDTH, self::TWICE * self::HEIGHT];
        imagefilledrectangle($this->image, 0, 0, $right, $bottom, $this->colours['wall']);
        [, $y] = $this->seen(new Vector($this->middle[0], $floor, 0));
        imagefilledrectangle($this->image, 0, (int) $y - 60, $right, $bottom, $this->colours['floor']);
    }

    /**
     * @param  array<string, Vector>  $body
     * @param  array<string, string>  $joints
     */
    private function person(array $body, array $joints): void
    {
        foreach (self::LIMBS as [$from, $to, $thick, $what]) {
            $this->limb($body[$from], $body[$to], $thick, $this->colours[$what]);
        }
        $this->disc($body['head'], 6.0, $this->colours['skin']);
        foreach ($joints as $joint) {
            $this->disc($body[$joint]->plus(new Vector(0, 0, 4)), self::STICKER, $this->colours['sticker']);
        }
    }

    private function limb(Vector $from, Vector $to, float $thick, int $colour): void
    {
        [$ax, $ay, $as] = $this->seen($from);
        [$bx, $by, $bs] = $this->seen($to);
        $long = max(0.001, hypot($bx - $ax, $by - $ay));
        [$nx, $ny] = [-($by - $ay) / $long, ($bx - $ax) / $long];
        $corners = [];
        foreach ([[$ax, $ay, $as, 1], [$bx, $by, $bs, 1], [$bx, $by, $bs, -1], [$ax, $ay, $as, -1]] as [$x, $y, $size, $way]) {
            $corners[] = (int) round($x + $way * $nx * $thick * $size);
            $corners[] = (int) round($y + $way * $ny * $thick * $size);
        }
        imagefilledpolygon($this->image, $corners, $colour);
        $this->disc($from, $thick, $colour);
        $this->disc($to, $thick, $colour);
    }

    private function disc(Vector $at, float $radius, int $colour): void
    {
        [$x, $y, $size] = $this->seen($at);
        $across = 2 * $radius * $size;
        imagefilledellipse(
            $this->image,
            (int) round($x),
            (int) round($y),
            (int) round($across * cos(deg2rad($this->scene->yaw))),
            (int) round($across),
            $colour,
        );
    }

    /** @return array{float, float, float} right, down, and how large a hundredth of body height is there, in pixels */
    private function seen(Vector $point): array
    {
        $yaw = deg2rad($this->scene->yaw);
        $x = $point->x - $this->middle[0];
        $near = $point->z * cos($yaw) + $x * sin($yaw);
        $size = $this->scale * self::FAR / (self::FAR - $near);
        $right = ($x * cos($yaw) - $point->z * sin($yaw)) * $size * ($this->scene->mirrored ? 1 : -1);

        return [
            self::TWICE * self::WIDTH / 2 + $right,
            self::TWICE * self::HEIGHT * 0.6 - ($point->y - $this->middle[1]) * $size,
            $size,
        ];
    }

    /** Half of the picture darker. */
    private function shadow(): void
    {
        $dark = imagecolorallocatealpha($this->image, 0, 0, 0, 70);
        $chance = new Randomizer(new Mt19937($this->scene->seed + 1));
        $edge = self::TWICE * $chance->getInt(200, 440);
        imagefilledpolygon($this->image, [
            0, 0, $edge, 0, $edge - 160, self::TWICE * self::HEIGHT, 0, self::TWICE * self::HEIGHT,
        ], (int) $dark);
    }

    private function developed(): string
    {
        $small = imagecreatetruecolor(self::WIDTH, self::HEIGHT);
        assert($small !== false);
        imagecopyresampled(
            $small,
            $this->image,
            0,
            0,
            0,
            0,
            self::WIDTH,
            self::HEIGHT,
            self::TWICE * self::WIDTH,
            self::TWICE * self::HEIGHT,
        );
        for ($i = 0; $i < $this->scene->blur; $i++) {
            imagefilter($small, IMG_FILTER_GAUSSIAN_BLUR);
        }
        ob_start();
        imagejpeg($small, null, $this->scene->quality);

        return (string) ob_get_clean();
    }
}
