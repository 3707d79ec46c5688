<?php

declare(strict_types=1);

namespace App\Line;

use EvenRungs\Formats\UnusableInput;
use GdImage;

/**
 * A picture as it is kept: drawn anew, so that nothing of place or device is in it, and no larger than is needed.
 */
final class Picture
{
    /** Pixels of its longer side, at most. */
    public const MOST = 1600;

    private const MOST_TAKEN = 4000;

    private const QUALITY = 82;

    private function __construct(public readonly string $base64, public readonly int $width, public readonly int $height)
    {
    }

    /**
     * @param  string  $base64  JPEG, PNG or WebP
     *
     * @throws UnusableInput at /picture
     */
    public static function of(string $base64): self
    {
        $bytes = base64_decode($base64, true);
        $size = $bytes === false ? false : @getimagesizefromstring($bytes);
        if ($bytes === false || $size === false) {
            throw UnusableInput::at('/picture', 'is no picture that can be read');
        }
        if (max($size[0], $size[1]) > self::MOST_TAKEN || min($size[0], $size[1]) < 1) {
            throw UnusableInput::at('/picture', sprintf('must be at most %d pixels wide and high', self::MOST_TAKEN));
        }
        $image = @imagecreatefromstring($bytes);
        if ($image === false) {
            throw UnusableInput::at('/picture', 'is no picture that can be read');
        }
        $image = self::smaller($image);
        ob_start();
        imagejpeg($image, null, self::QUALITY);

        return new self(base64_encode((string) ob_get_clean()), imagesx($image), imagesy($image));
    }

    private static function smaller(GdImage $image): GdImage
    {
        $longer = max(imagesx($image), imagesy($image));
        $scaled = $longer <= self::MOST ? false : imagescale(
            $image,
            (int) round(imagesx($image) * self::MOST / $longer),
            (int) round(imagesy($image) * self::MOST / $longer),
        );

        return $scaled === false ? $image : $scaled;
    }
}
