<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * From where a figure is looked at.
 */
enum View: string
{
    case Side = 'side';
    case Front = 'front';
    case Quarter = 'quarter';
    case Raised = 'raised';

    /** @return array{float, float} degrees: how far around from the side toward the front, and how far down the look goes */
    private function direction(): array
    {
        return match ($this) {
            self::Side => [0.0, 0.0],
            self::Front => [90.0, 0.0],
            self::Quarter => [38.0, 14.0],
            self::Raised => [0.0, 24.0],
        };
    }

    /** @return array{float, float, float} right, down, and how near */
    public function project(Vector $point): array
    {
        [$around, $down] = array_map(deg2rad(...), $this->direction());
        $near = $point->x * sin($around) + $point->z * cos($around);

        return [
            $point->x * cos($around) - $point->z * sin($around),
            -($point->y * cos($down) - $near * sin($down)),
            $near * cos($down) + $point->y * sin($down),
        ];
    }
}
