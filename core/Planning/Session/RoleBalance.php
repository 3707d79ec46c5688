<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Ladder\Role;
use EvenRungs\Core\Planning\Order\DraftItem;

/**
 * How far each role is over its share of the work of a week, in styles that have shares.
 */
final class RoleBalance
{
    /** @var array<string, int> milliseconds of work, by role */
    private array $ms;

    /**
     * @param  array<string, int>  $shares  per cent of the work that each role is meant to get; none where the style has no shares
     * @param  list<DraftItem>  $before  what the sessions before hold
     */
    public function __construct(private readonly array $shares, array $before)
    {
        $this->ms = array_fill_keys(array_column(Role::cases(), 'value'), 0);
        $this->count($before);
    }

    /** @param  list<DraftItem>  $items */
    private function count(array $items): void
    {
        foreach ($items as $item) {
            $this->ms[$item->choice->rung->role->value] += $item->dose->tension()->ms;
        }
    }

    /** @param  list<DraftItem>  $items  of the session under way */
    public function with(array $items): self
    {
        $other = clone $this;
        $other->count($items);

        return $other;
    }

    public function hasShares(): bool
    {
        return $this->shares !== [];
    }

    /** Per cent points by which a role is over its share; negative where it is short, 0 where the style has no shares. */
    public function over(Role $role): int
    {
        $all = array_sum($this->ms);
        $share = $all === 0 ? 0 : intdiv(100 * $this->ms[$role->value], $all);

        return $this->hasShares() ? $share - ($this->shares[$role->value] ?? 0) : 0;
    }
}
