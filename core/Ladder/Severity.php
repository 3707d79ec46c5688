<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * How much a soreness limit matters, and so from which grade of stress it bars a rung (house rule).
 */
enum Severity: string
{
    case Mild = 'mild';
    case Moderate = 'moderate';
    case Severe = 'severe';

    /** @return int<1, 3> the lowest grade of stress that is barred */
    public function barsFrom(): int
    {
        return match ($this) {
            self::Mild => 3,
            self::Moderate => 2,
            self::Severe => 1,
        };
    }
}
