<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;

/**
 * Difficulty on one scale for all ladders: 1–2 early rehab, 3–4 beginner, 5–6 intermediate, 7–8 advanced, 9–10 athlete.
 */
final class Level
{
    public const LEAST = 1;

    public const MOST = 10;

    /** What suits who is not known (common practice, no source). */
    public const OF_NOBODY = 3;

    private function __construct(public readonly int $value)
    {
    }

    /** @throws InvalidValue outside 1 to 10 */
    public static function of(int $value): self
    {
        if ($value < self::LEAST || $value > self::MOST) {
            throw OutOfRange::outside('level', $value, self::LEAST, self::MOST);
        }

        return new self($value);
    }

    public function isAbove(self $other): bool
    {
        return $this->value > $other->value;
    }
}
