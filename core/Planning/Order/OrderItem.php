<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Order;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Position;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Style\OrderWeights;
use EvenRungs\Core\Style\SetOrder;

/**
 * One exercise as the order of a session sees it.
 */
final class OrderItem
{
    private const LOADED_FROM = 2;

    /** From this long a hold is held endurance (common practice, no source). */
    private const HELD_FROM_MS = 10_000;

    private const SKILL = 0;

    private const MOVING = 1;

    private const HELD = 2;

    public readonly bool $held;

    public function __construct(public readonly Rung $rung, Dose $dose)
    {
        $this->held = $dose->measure->longestHold()->ms >= self::HELD_FROM_MS;
    }

    public function loadsShoulders(): bool
    {
        return $this->rung->grade('shoulder-load') >= self::LOADED_FROM;
    }

    public function asksBalance(): bool
    {
        return $this->rung->grade('balance') >= self::LOADED_FROM;
    }

    /** Its turn in the style's order: what has the smaller number goes first. */
    public function turn(SetOrder $order): int
    {
        return match ($order) {
            SetOrder::SkillFirst => $this->held ? self::HELD : ($this->asksBalance() ? self::SKILL : self::MOVING),
            SetOrder::StaticFirst => $this->held ? self::SKILL : self::MOVING,
            SetOrder::HardestFirst => Level::MOST - $this->rung->level->value,
            SetOrder::CarryFirst => match (true) {
                $this->rung->start()->measure->kind() === MeasureKind::Distance => self::SKILL,
                $this->rung->category === Category::AntiRotation => self::MOVING,
                default => self::HELD,
            },
            SetOrder::HeldAndSupportedFirst => ($this->held ? 0 : 2) + ($this->isSupported() ? 0 : 1),
        };
    }

    /** Whether the floor, a wall or a bench carries more than the feet (house rule). */
    private function isSupported(): bool
    {
        return ! in_array($this->rung->position, [Position::Standing, Position::Hanging], true)
            || array_intersect(['wall', 'bench'], $this->rung->equipment) !== [];
    }

    /** What one following another costs. */
    public function before(self $next, OrderWeights $weights): int
    {
        return ($this->rung->category === $next->rung->category ? $weights->sameDirection : 0)
            + ($this->loadsShoulders() && $next->loadsShoulders() ? $weights->shouldersTwice : 0)
            + ($this->held && $next->asksBalance() ? $weights->balanceAfterHold : 0)
            + ($this->rung->position !== $next->rung->position ? $weights->changeOfPosition : 0)
            + ($this->rung->equipment !== $next->rung->equipment ? $weights->changeOfKit : 0);
    }
}
