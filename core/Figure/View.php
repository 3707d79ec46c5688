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
    case Corner = 'corner';
    case Above = 'above';

    /** @return array{float, float} degrees: how far around from the side toward the front, and how far down the look goes */
    private function direction(): array
    {
        return match ($this) {
            self::Side => [0.0, 0.0],
            self::Front => [90.0, 0.0],
            self::Quarter => [38.0, 14.0],
            self::Raised => [0.0, 24.0],
            self::Corner => [25.0, 24.0],
            self::Above => [0.0, 62.0],
        };
    }

    /** @return array{float, float} right and down */
    public function project(Vector $point): array
    {
        [$around, $down] = array_map(deg2rad(...), $this->direction());
        $near = $point->x * sin($around) + $point->z * cos($around);

        return [$point->x * cos($around) - $point->z * sin($around), $near * sin($down) - $point->y * cos($down)];
    }

    /** How near a point is to who looks: along the body's side or its front, whichever is nearer to the look, and level. */
    public function depth(Vector $point): float
    {
        return $this->direction()[0] > 45 ? $point->x : $point->z;
    }
}
