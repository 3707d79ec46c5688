<?php

declare(strict_types=1);

namespace EvenRungs\Devices\Camera;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What a film of the simulated camera shows.
 */
final class Scene
{
    /** Stickers that stand out: red, green, blue. */
    private const COLOURS = [[255, 40, 150], [50, 225, 70], [255, 110, 0], [0, 190, 235], [245, 225, 20]];

    /**
     * @param  string  $rung  one with a line
     * @param  ?float  $faultAfterS  when the hips leave the line; null never
     * @param  float  $sag  how far they leave it, in hundredths of body height; negative for a pike
     * @param  bool  $mirrored  whether the head lies to the right
     * @param  float  $yaw  degrees that the camera stands off square, 0 to 15
     * @param  int  $blur  times that the picture is blurred
     * @param  int  $quality  of the compression, 1 to 100
     * @param  ?string  $hidden  a sticker that is not seen
     * @param  'nobody'|'plain'|'stickers'  $second  somebody else in the picture
     * @param  bool  $clothing  whether the shirt has the stickers' colour
     * @param  bool  $wall  whether the wall has it
     * @param  bool  $lamp  whether a lamp in the corner goes on when the hips leave the line
     */
    public function __construct(
        public readonly int $seed = 1,
        public readonly string $rung = 'forearm-plank',
        public readonly ?float $faultAfterS = null,
        public readonly float $sag = 8.0,
        public readonly bool $mirrored = false,
        public readonly float $yaw = 0.0,
        public readonly int $blur = 0,
        public readonly int $quality = 90,
        public readonly bool $shadow = false,
        public readonly bool $clothing = false,
        public readonly bool $wall = false,
        public readonly bool $stickers = true,
        public readonly ?string $hidden = null,
        public readonly string $second = 'nobody',
        public readonly bool $lamp = false,
    ) {
    }

    /** A scene without anything that makes it hard. */
    public static function plain(int $seed, string $rung): self
    {
        $chance = new Randomizer(new Mt19937($seed));

        return new self($seed, $rung, 0.0, $chance->getInt(-60, 60) / 10, $chance->getInt(0, 1) === 1);
    }

    /** Off square, blurred, compressed, in shadow, the shirt in the stickers' colour, somebody behind: several of them at once. */
    public static function hard(int $seed, string $rung): self
    {
        $chance = new Randomizer(new Mt19937($seed));

        return new self(
            $seed,
            $rung,
            0.0,
            $chance->getInt(-60, 60) / 10,
            $chance->getInt(0, 1) === 1,
            $chance->getInt(0, 15),
            $chance->getInt(0, 3),
            $chance->getInt(25, 60),
            $chance->getInt(0, 1) === 1,
            $chance->getInt(0, 3) === 0,
            second: $chance->getInt(0, 3) === 0 ? 'plain' : 'nobody',
        );
    }

    /** @return array{int, int, int} */
    public function colour(): array
    {
        return self::COLOURS[$this->seed % count(self::COLOURS)];
    }
}
