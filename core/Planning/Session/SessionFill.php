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
    private readonly SlotDose $doses;

    private readonly SessionDraft $draft;

    private readonly EvenSets $sets;

    private readonly int $most;

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices  by category, the best first
     * @param  array<string, int>  $ms  work of the week before this session, by category
     * @param  RoleBalance  $roles  of the week before this session
     * @param  list<string>  $used  ladders of the week before this session
     */
    public function __construct(
        private readonly Slot $slot,
        private readonly Client $client,
        private readonly array $choices,
        array $ms,
        Library $library,
        private readonly Style $style,
        private readonly GoalRule $goal,
        private readonly RoleBalance $roles,
        private readonly array $used = [],
    ) {
        $circuit = ($goal->circuit || $style->plan->circuit) && $slot->kind !== Kind::Activation;
        $this->doses = new SlotDose($slot, $circuit, new Steps($style, $client), $style);
        $this->draft = new SessionDraft($this->doses, $library, $style, $goal, (new Preparation($library))->of($slot, $client));
        $this->sets = new EvenSets($this->draft, $ms, $goal, $roles);
        $this->most = SessionShape::mostExercises($slot->length, $client, $style);
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
        $this->sets->raise($this->goal->sets);
        foreach ($this->accessories() as $category) {
            $this->overItsShare($category) || $this->add($category, 0, $setsFirst);
        }
        if ($this->slot->mayBeHard) {
            foreach ($order as $direction) {
                $this->add($direction, $covered[$direction->value] + 1, $setsFirst);
            }
        }
        if ($this->slot->mayBeHard && $this->client->ladders !== null) {
            $this->addUnused($setsFirst);
        }
        $this->sets->raise($this->goal->mostSets);
        if ($this->slot->mayBeHard && ! $this->draft->isUsed()) {
            $this->sets->raise($this->goal->mostSets, false);
        }

        return FewerStations::of($this->draft, $this->goal->mostSets);
    }

    /**
     * @param  bool  $setsFirst  whether it comes only behind two sets of all that is there, with two itself; on a light day, where two are
     *     too many, the first two come with one
     */
    private function add(Category $category, int $turn, bool $setsFirst): void
    {
        if ($setsFirst) {
            $this->sets->raise(SessionShape::SETS_FIRST, false);
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
        $accessories = $this->client->ladders === null ? $this->style->plan->accessories : $this->chosenAccessories();
        if ($this->roles->hasShares()) {
            usort($accessories, fn (Category $a, Category $b): int => $this->over($a) <=> $this->over($b));
        }

        return $accessories;
    }

    /** What the trainer chose and the week does not hold yet, as far as there is room. */
    private function addUnused(bool $setsFirst): void
    {
        foreach ($this->choices as $category => $choices) {
            foreach (Category::from($category) === Category::Bracing ? [] : $choices as $choice) {
                if (! in_array($choice->rung->ladder, $this->usedNow(), true)) {
                    $this->add(Category::from($category), 0, $setsFirst);
                }
            }
        }
    }

    /**
     * @param  list<ExerciseChoice>  $choices
     * @return list<ExerciseChoice> those first whose ladder was least in the week so far
     */
    private function unusedFirst(array $choices): array
    {
        $times = array_count_values($this->usedNow());
        $used = static fn (ExerciseChoice $choice): int => $times[$choice->rung->ladder] ?? 0;
        usort($choices, static fn (ExerciseChoice $a, ExerciseChoice $b): int => $used($a) <=> $used($b));

        return $choices;
    }

    /** @return list<string> ladders of the week so far, each as often as it is there */
    private function usedNow(): array
    {
        return [...$this->used, ...array_map(static fn (DraftItem $item): string => $item->choice->rung->ladder, $this->draft->items())];
    }

    /** @return list<Category> of the ladders that the trainer chose, those of the style first */
    private function chosenAccessories(): array
    {
        $chosen = array_filter(Category::cases(), fn (Category $category): bool => ! $category->isDirection()
            && $category !== Category::Bracing
            && $this->choices[$category->value] !== []);

        return array_values(array_unique([...$this->style->plan->accessories, ...$chosen], SORT_REGULAR));
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
        $best = $this->client->ladders === null
            ? array_slice($choices, 0, $this->roles->hasShares() ? 3 : 2)
            : $this->unusedFirst($choices);
        if ($best === []) {
            return false;
        }
        $first = $this->client->ladders === null ? $turn % count($best) : 0;
        $best = [...array_slice($best, $first), ...array_slice($best, 0, $first)];
        if ($this->roles->hasShares()) {
            $roles = $this->roles->with($this->draft->items());
            $over = static fn (ExerciseChoice $choice): int => $roles->over($choice->rung->role);
            usort($best, static fn (ExerciseChoice $a, ExerciseChoice $b): int => $over($a) <=> $over($b));
        }

        return $this->draft->add($this->doses->of($best[0], $sets));
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
            // where a session takes few, who had its turn least often is next
            $this->style->plan->mostExercises === null ? 0 : $covered[$direction->value],
            $this->slot->mayBeHard || $direction !== Category::AntiRotation,
            array_search($direction, $wanted, true),
        ];
        usort($directions, static fn (Category $a, Category $b): int => $rank($a) <=> $rank($b));

        return $directions;
    }
}
