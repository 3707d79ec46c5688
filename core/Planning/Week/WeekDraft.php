<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Fills the sessions of one week: what each direction needs, the exercises whose turn it is, and their sets.
 */
final class WeekDraft
{
    /** A direction with more than this many times the work of the least worked one gets no further set (house rule). */
    private const FAR_AHEAD_TIMES = 2;

    public function __construct(private readonly Library $library, private readonly Style $style, private readonly GoalRule $goal)
    {
    }

    /**
     * @param  list<Slot>  $slots
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @return array{list<Session>, array<string, int>, array{int, int}} the sessions through the week, how many train each
     *                                                                  direction, and the milliseconds of work and sets in all four
     */
    public function week(array $slots, Client $client, array $choices, bool $light): array
    {
        $covered = $ms = $sets = array_fill_keys(array_column(Category::directions(), 'value'), 0);
        $sessions = [];
        foreach ($slots as $slot) {
            $session = $client->isAtHomeOn($slot->day)
                ? $this->fill(
                    $slot->atHome(),
                    $client->atHome(),
                    (new Homework($this->library))->of($choices, $client),
                    $covered,
                    $ms,
                    $light,
                )
                : $this->fill($slot, $client, $choices, $covered, $ms, $light);
            if ($session === null) {
                continue;
            }
            $sessions[] = $session;
            $shares = DirectionShares::of(new Week(1, [], [$session]), $this->library);
            foreach (array_keys($covered) as $code) {
                $ms[$code] += $shares->ms[$code];
                $sets[$code] += $shares->sets[$code];
                $covered[$code] += $shares->sessions[$code];
            }
        }
        usort($sessions, static fn (Session $a, Session $b): int => $a->day->number() <=> $b->day->number());

        return [$sessions, $covered, [array_sum($ms), array_sum($sets)]];
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @param  array<string, int>  $covered  sessions of the week so far that train each direction
     * @param  array<string, int>  $ms  work of the week so far, by category
     */
    private function fill(Slot $slot, Client $client, array $choices, array $covered, array $ms, bool $light): ?Session
    {
        $open = $choices[Category::Bracing->value][0] ?? null;
        $draft = $this->draft($slot, $client, $choices, $covered, $ms, $light, $open);
        if ($draft->isEmpty() && $open !== null) {
            $draft = $this->draft($slot, $client, $choices, $covered, $ms, $light, null);
        }

        return $draft->isEmpty() ? null : $draft->session();
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @param  array<string, int>  $covered
     * @param  array<string, int>  $ms
     */
    private function draft(
        Slot $slot,
        Client $client,
        array $choices,
        array $covered,
        array $ms,
        bool $light,
        ?ExerciseChoice $open,
    ): SessionDraft {
        $circuit = ($this->goal->circuit || $this->style->plan->circuit) && $slot->kind !== Kind::Activation;
        $draft = new SessionDraft($slot, $circuit, $this->library, $this->style, $this->goal);
        $steps = new Steps($this->style, $client);
        if ($open !== null) {
            $draft->openWith($open, $steps->dose($open->rung, $open->step, $open->range)->withSets(1));
        }
        $order = $this->needs($slot, $covered);
        foreach ($order as $direction) {
            $this->addFrom($choices[$direction->value], $covered[$direction->value], $draft, $steps, $slot, $circuit);
        }
        $this->raiseSets($draft, $light ? $this->goal->sets - 1 : $this->goal->sets, $slot, $ms);
        foreach ($this->style->plan->accessories as $category) {
            $this->addFrom($choices[$category->value], 0, $draft, $steps, $slot, $circuit);
        }
        if ($slot->mayBeHard) {
            foreach ($order as $direction) {
                $this->addFrom($choices[$direction->value], $covered[$direction->value] + 1, $draft, $steps, $slot, $circuit);
            }
        }
        $this->raiseSets($draft, $light ? $this->goal->sets - 1 : $this->goal->mostSets, $slot, $ms);

        return $draft;
    }

    /**
     * Adds the choice whose turn it is: of the two best, session by session.
     *
     * @param  list<ExerciseChoice>  $choices
     */
    private function addFrom(array $choices, int $turn, SessionDraft $draft, Steps $steps, Slot $slot, bool $circuit): void
    {
        $best = array_slice($choices, 0, 2);
        if ($best === []) {
            return;
        }
        $choice = $best[$turn % count($best)];
        $step = $slot->kind === Kind::Activation ? $this->switchOnStep($choice, $steps) : $choice->step;
        $dose = $steps->dose($choice->rung, $step, $choice->range)->withSets(1);
        $why = $steps->why($choice->rung, $step, $choice->range);
        $many = $circuit ? $steps->many($choice->rung) : null;
        if ($many !== null && ! Steps::isAtMost($many, $dose->measure)) {
            $dose = $dose->withMeasure($many);
            $why[] = sprintf(
                '%d repetitions: %s does light accessories in many (common practice, no source).',
                $many->count,
                $this->style->name,
            );
        }
        $draft->add($choice, $dose, $why);
    }

    /** A switch-on never holds long: the highest step up to the client's own that keeps its line. */
    private function switchOnStep(ExerciseChoice $choice, Steps $steps): int
    {
        for ($step = $choice->step; $step > 0 && $steps->dose(
            $choice->rung,
            $step,
        )->measure->longestHold()->isLongerThan($this->style->switchOnHold); $step--);

        return $step;
    }

    /**
     * One set after the other, always for the direction with the least work in the week so far, so that the directions stay
     * even. Accessories of a light session keep one set.
     *
     * @param  array<string, int>  $ms  work of the week before this session, by category
     */
    private function raiseSets(SessionDraft $draft, int $sets, Slot $slot, array $ms): void
    {
        for ($reached = 2; $reached <= $sets; $reached++) {
            $tried = [];
            $worked = $this->worked($draft->items(), $ms);
            while (($i = $this->leastWorked($draft->items(), $worked, $tried)) !== null) {
                $tried[$i] = true;
                $item = $draft->items()[$i];
                $category = $item->choice->rung->category;
                if (
                    $item->dose->sets < $reached
                    && ($slot->mayBeHard || $category->isDirection())
                    && ! $this->isFarAhead($category, $worked)
                    && $draft->addSet($i)
                ) {
                    $worked = $this->worked($draft->items(), $ms);
                }
            }
        }
    }

    /**
     * @param  list<DraftItem>  $items
     * @param  array<string, int>  $ms  work of the week before this session, by category
     * @return array<string, int> with this session's so far; what the goal wants first counts half, so that it gets more
     */
    private function worked(array $items, array $ms): array
    {
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
        $rank = static fn (int $i): array => [$worked[$items[$i]->choice->rung->category->value], $items[$i]->dose->tension()->ms, $i];
        usort($places, static fn (int $a, int $b): int => $rank($a) <=> $rank($b));

        return $places[0] ?? null;
    }

    /**
     * @param  array<string, int>  $covered
     * @return list<Category> the direction that is furthest behind first
     */
    private function needs(Slot $slot, array $covered): array
    {
        $directions = Category::directions();
        $wanted = [...$this->goal->first, ...$directions];
        $rank = fn (Category $direction): array => [
            -max(0, ($this->goal->sessions[$direction->value] ?? $this->style->directionSessions) - $covered[$direction->value]),
            $slot->mayBeHard || $direction !== Category::AntiRotation,
            array_search($direction, $wanted, true),
        ];
        usort($directions, static fn (Category $a, Category $b): int => $rank($a) <=> $rank($b));

        return $directions;
    }
}
