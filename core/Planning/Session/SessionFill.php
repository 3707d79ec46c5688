<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Fills one session: the exercises whose turn it is, never more than its shape has room for, and two sets of what is there before
 * another comes.
 */
final class SessionFill
{
    /** A direction with more than this many times the work of the least worked one gets no further set (house rule). */
    private const FAR_AHEAD_TIMES = 2;

    /** Per cent points of the work by which a role goes before another (house rule). */
    private const ROLE_POINTS = 4;

    private readonly SlotDose $doses;

    private readonly SessionDraft $draft;

    private readonly int $most;

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices  by category, the best first
     * @param  array<string, int>  $ms  work of the week before this session, by category
     * @param  RoleBalance  $roles  of the week before this session
     */
    public function __construct(
        private readonly Slot $slot,
        Client $client,
        private readonly array $choices,
        private readonly array $ms,
        Library $library,
        private readonly Style $style,
        private readonly GoalRule $goal,
        private readonly RoleBalance $roles,
    ) {
        $circuit = ($goal->circuit || $style->plan->circuit) && $slot->kind !== Kind::Activation;
        $this->doses = new SlotDose($slot, $circuit, new Steps($style, $client), $style);
        $this->draft = new SessionDraft($this->doses, $library, $style, $goal, (new Preparation($library))->of($slot, $client));
        $this->most = SessionShape::mostExercises($slot->length, $client);
    }

    /**
     * @param  array<string, int>  $covered  sessions of the week so far that train each direction
     * @param  ?ExerciseChoice  $open  what switches on first
     * @param  int  $later  directions that the sessions after this one have room for
     */
    public function draft(array $covered, ?ExerciseChoice $open, int $later = 0): SessionDraft
    {
        if ($open !== null) {
            $this->draft->openWith($this->doses->opening($open));
        }
        $setsFirst = ! $this->doses->circuit && $this->slot->kind !== Kind::Activation;
        $order = $this->needs($covered);
        $missed = count(array_filter($order, static fn (Category $direction): bool => $covered[$direction->value] === 0));
        foreach ($order as $place => $direction) {
            $isMissed = $covered[$direction->value] === 0 && ($this->slot->mayBeHard || $place < $missed - $later);
            $this->add($direction, $covered[$direction->value], $setsFirst && ! $isMissed);
        }
        $this->draft->keepRoomToGrow();
        $this->raiseSets($this->goal->sets);
        foreach ($this->accessories() as $category) {
            $this->overItsShare($category) || $this->add($category, 0, $setsFirst);
        }
        if ($this->slot->mayBeHard) {
            foreach ($order as $direction) {
                $this->add($direction, $covered[$direction->value] + 1, $setsFirst);
            }
        }
        $this->raiseSets($this->goal->mostSets);

        return $this->draft;
    }

    /**
     * @param  bool  $setsFirst  whether it comes only behind two sets of all that is there, with two itself; on a light day, where two are
     *     too many, the first two come with one
     */
    private function add(Category $category, int $turn, bool $setsFirst): void
    {
        if ($setsFirst) {
            $this->raiseSets(SessionShape::SETS_FIRST, false);
        }
        if (count($this->draft->items()) >= $this->most || ($setsFirst && $this->lacksSets())) {
            return;
        }
        $choices = $this->choices[$category->value];
        $comes = $setsFirst && (
            $this->addFrom($choices, $turn, SessionShape::SETS_FIRST)
            || (! $this->slot->mayBeHard && $this->addFrom($choices, $turn + 1, SessionShape::SETS_FIRST))
        );
        $isLight = ! $this->slot->mayBeHard && $category->isDirection() && count($this->draft->items()) < SessionShape::LIGHT_DIRECTIONS;
        if (! $comes && (! $setsFirst || $isLight)) {
            $this->addFrom($choices, $turn, 1);
        }
    }

    /** Per cent points by which the role of the best exercise of a category is over its share now. */
    private function over(Category $category): int
    {
        $best = $this->choices[$category->value][0] ?? null;

        return $best === null ? 0 : $this->roles->with($this->draft->items())->over($best->rung->role);
    }

    /** Whether nothing more of a category comes, since its role is over its share. */
    private function overItsShare(Category $category): bool
    {
        return $this->over($category) > 0;
    }

    /** @return list<Category> in the order of the style; where it has shares by role, the role that is shortest first */
    private function accessories(): array
    {
        $accessories = $this->style->plan->accessories;
        if ($this->roles->hasShares()) {
            usort($accessories, fn (Category $a, Category $b): int => $this->over($a) <=> $this->over($b));
        }

        return $accessories;
    }

    /** Whether an exercise of the four directions has fewer sets than come first. A light session cannot always give them. */
    private function lacksSets(): bool
    {
        foreach ($this->draft->items() as $i => $item) {
            if (
                $item->choice->rung->category->isDirection()
                && $item->dose->sets < SessionShape::SETS_FIRST
                && ($this->slot->mayBeHard || ! $this->draft->isFull($i))
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * Adds the choice whose turn it is: of the two best, session by session.
     *
     * @param  list<ExerciseChoice>  $choices
     */
    private function addFrom(array $choices, int $turn, int $sets): bool
    {
        $best = array_slice($choices, 0, $this->roles->hasShares() ? 3 : 2);
        if ($best === []) {
            return false;
        }
        $first = $turn % count($best);
        $best = [...array_slice($best, $first), ...array_slice($best, 0, $first)];
        if ($this->roles->hasShares()) {
            $roles = $this->roles->with($this->draft->items());
            $over = static fn (ExerciseChoice $choice): int => $roles->over($choice->rung->role);
            usort($best, static fn (ExerciseChoice $a, ExerciseChoice $b): int => $over($a) <=> $over($b));
        }

        return $this->draft->add($this->doses->of($best[0], $sets));
    }

    /**
     * One set after the other, always for the direction with the least work in the week so far, so that the directions stay
     * even.
     *
     * @param  bool  $evenly  whether a direction that is far ahead waits
     */
    private function raiseSets(int $sets, bool $evenly = true): void
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

    /**
     * @param  array<string, int>  $covered
     * @return list<Category> the direction that is furthest behind first
     */
    private function needs(array $covered): array
    {
        $directions = Category::directions();
        $wanted = [...$this->goal->first, ...$directions];
        $rank = fn (Category $direction): array => [
            -max(0, ($this->goal->sessions[$direction->value] ?? $this->style->directionSessions) - $covered[$direction->value]),
            $this->slot->mayBeHard || $direction !== Category::AntiRotation,
            array_search($direction, $wanted, true),
        ];
        usort($directions, static fn (Category $a, Category $b): int => $rank($a) <=> $rank($b));

        return $directions;
    }
}
