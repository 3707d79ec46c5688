<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Style\GoalRule;

/**
 * Gives the exercises of a session their sets, so that the directions of the week stay even.
 */
final class EvenSets
{
    /** A direction with more than this many times the work of the least worked one gets no further set (house rule). */
    private const FAR_AHEAD_TIMES = 2;

    /** Per cent points of the work by which a role goes before another (house rule). */
    private const ROLE_POINTS = 4;

    /** @param  array<string, int>  $ms  work of the week before this session, by category */
    public function __construct(
        private readonly SessionDraft $draft,
        private readonly array $ms,
        private readonly GoalRule $goal,
        private readonly RoleBalance $roles,
    ) {
    }

    /**
     * One set after the other, always for the direction with the least work in the week so far, so that the directions stay
     * even.
     *
     * @param  bool  $evenly  whether a direction that is far ahead waits
     */
    public function raise(int $sets, bool $evenly = true): void
    {
        for ($reached = 2; $reached <= $sets; $reached++) {
            $tried = [];
            $worked = $this->worked($this->draft->items());
            while (($i = $this->leastWorked($this->draft->items(), $worked, $tried)) !== null) {
                $tried[$i] = true;
                $item = $this->draft->items()[$i];
                $category = $item->choice->rung->category;
                if (
                    $item->dose->sets < $reached
                    && ! ($evenly && $this->isFarAhead($category, $worked))
                    && $this->draft->addSet($i)
                ) {
                    $worked = $this->worked($this->draft->items());
                }
            }
        }
    }

    /**
     * @param  list<DraftItem>  $items
     * @return array<string, int> work of the week with this session's so far, by category; what the goal wants first counts half,
     *                            so that it gets more
     */
    private function worked(array $items): array
    {
        $ms = $this->ms;
        foreach ($items as $item) {
            $code = $item->choice->rung->category->value;
            $ms[$code] = ($ms[$code] ?? 0) + $item->dose->tension()->ms;
        }
        foreach ($this->goal->first as $category) {
            $ms[$category->value] = intdiv($ms[$category->value] ?? 0, 2);
        }

        return $ms;
    }

    /**
     * Whether a direction has so much more work than the least worked one that another set of it must wait.
     *
     * @param  array<string, int>  $worked  by category
     */
    private function isFarAhead(Category $category, array $worked): bool
    {
        $others = array_filter(array_map(static fn (Category $each): int => $worked[$each->value], Category::directions()));

        return $category->isDirection() && $others !== [] && $worked[$category->value] > self::FAR_AHEAD_TIMES * min($others);
    }

    /**
     * @param  list<DraftItem>  $items
     * @param  array<string, int>  $worked  by category
     * @param  array<int, true>  $tried  places that had their turn
     * @return ?int the place of the item whose category has the least work, the item with the least first
     */
    private function leastWorked(array $items, array $worked, array $tried): ?int
    {
        $places = array_values(array_diff(array_keys($items), array_keys($tried)));
        $roles = $this->roles->with($items);
        $rank = static fn (int $i): array => [
            intdiv($roles->over($items[$i]->choice->rung->role), self::ROLE_POINTS),
            $worked[$items[$i]->choice->rung->category->value],
            $items[$i]->dose->tension()->ms,
            $i,
        ];
        usort($places, static fn (int $a, int $b): int => $rank($a) <=> $rank($b));

        return $places[0] ?? null;
    }
}
