<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Line;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;

/**
 * What is marked in one picture: points of the body from the side, and two that should be level, as seen from behind.
 */
final class Marks
{
    /** The points along the body. */
    public const POINTS = ['ear', 'shoulder', 'hip', 'knee', 'ankle'];

    /**
     * @param  array<string, Spot>  $points  by name; none where only the level is looked at
     * @param  ?array{Spot, Spot}  $level
     */
    private function __construct(public readonly array $points, public readonly ?array $level)
    {
    }

    /**
     * @param  array<string, Spot>  $points  by name, at least shoulder, hip and one of knee and ankle
     *
     * @throws InvalidValue when too few are there, or two lie on one spot between which a line is drawn
     */
    public static function fromSide(array $points): self
    {
        $marks = new self($points, null);
        if (! isset($marks->joints()['hip'])) {
            throw Contradiction::because('needs at least shoulder, hip and one of knee and ankle');
        }
        foreach ($marks->joints() as $joint => [$at, $head, $foot]) {
            if ($at->isOn($head) || $at->isOn($foot) || $head->isOn($foot)) {
                throw Contradiction::because(sprintf('has the %s or its neighbours on one spot', $joint));
            }
        }
        if (isset($points['ankle']) && $points['ankle']->isOn($points['shoulder'])) {
            throw Contradiction::because('has shoulder and ankle on one spot');
        }

        return $marks;
    }

    public static function none(): self
    {
        return new self([], null);
    }

    /**
     * With two points beside them that should be level.
     *
     * @throws InvalidValue when they lie on one spot
     */
    public function withLevel(Spot $a, Spot $b): self
    {
        if ($a->isOn($b)) {
            throw Contradiction::because('has both points on one spot');
        }

        return new self($this->points, [$a, $b]);
    }

    /**
     * The joints that lie between two points that are there, with those two.
     *
     * @return array<'hip'|'knee', array{Spot, Spot, Spot}> joint, the one towards the head, the one towards the foot
     */
    public function joints(): array
    {
        $p = $this->points;
        $hip = isset($p['hip'], $p['shoulder']) ? $p['knee'] ?? $p['ankle'] ?? null : null;

        return [
            ...($hip === null ? [] : ['hip' => [$p['hip'], $p['shoulder'], $hip]]),
            ...(isset($p['knee'], $p['hip'], $p['ankle']) ? ['knee' => [$p['knee'], $p['hip'], $p['ankle']]] : []),
        ];
    }
}
