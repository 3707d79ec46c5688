<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\OutOfRange;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Choice\ExerciseChooser;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Extras;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramRefit;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Plans weeks for a client who may train: each direction as often as the style asks where the days allow, switch-on
 * first, never a barred rung, missing kit or an unmet gate, every day inside its minutes, every gap named.
 */
final class WeekPlanner
{
    public const MOST_WEEKS = 12;

    /** The work of a week may grow by this much over the hardest before, or by one set (house rule). */
    private const MOST_GROWTH_PERCENT = 20;

    /** A direction with more than this many times the work of the least worked one gets no further set (house rule). */
    private const FAR_AHEAD_TIMES = 2;

    /** Weeks between tests, and so the shortest program that ends with one (common practice, no source). */
    private const TEST_AFTER_WEEKS = 4;

    private readonly Placer $placer;

    /**
     * @param  array<string, GoalRule>  $goals  by goal
     */
    public function __construct(
        private readonly Library $library,
        private readonly Style $style,
        private readonly array $goals,
    ) {
        $this->placer = new Placer($library, $style);
    }

    /**
     * @param  int  $weeks  1 to 12
     * @param  Calendar  $calendar  weeks away, matches and wishes for days
     *
     * @throws InvalidValue when the number of weeks is out of range
     */
    public function plan(Client $client, int $weeks = 1, Calendar $calendar = new Calendar): Program
    {
        if ($weeks < 1 || $weeks > self::MOST_WEEKS) {
            throw OutOfRange::outside('the number of weeks', $weeks, 1, self::MOST_WEEKS);
        }
        $goal = GoalRule::for($client, $this->goals);
        $home = $client;
        [$placements, $choices] = $usual = $this->choices($client, $goal);
        $progression = new Progression($this->library, $this->style, new Steps($this->style, $client), $goal);
        $slots = $usualSlots = (new WeekSlots($this->style))->of($client, $goal, [], $calendar->wished);
        $planned = [];
        $gaps = [];
        $held = 0;
        $most = null;
        for ($number = 1; $number <= $weeks; $number++) {
            $light = $progression->isLight($number, $weeks);
            $away = $calendar->away[$number] ?? null;
            $matches = $calendar->matches[$number] ?? [];
            $client = $away === null ? $home : $home->inPlace($away->days, $away->equipment);
            [$placements, $choices] = $away === null ? $usual : $this->choices($client, $goal);
            $slots = $away === null && $matches === [] ? $usualSlots : (new WeekSlots($this->style))->of(
                $client,
                $goal,
                $matches,
                $calendar->wished,
            );
            [$sessions, $covered, $load] = $this->week($slots, $client, $goal, $progression->at($choices, $number, $held, $client), $light);
            while (! $light && $most !== null && $held < $number && $this->growsTooFast($most, $load)) {
                $held++;
                [$sessions, $covered, $load] = $this->week(
                    $slots,
                    $client,
                    $goal,
                    $progression->at($choices, $number, $held, $client),
                    $light,
                );
            }
            $most = $light ? $most : [max($most[0] ?? 0, $load[0]), max($most[1] ?? 0, $load[1])];
            $particular = $calendar->noted($number, $this->noted($number, $weeks, $light));
            $planned[] = new Week($number, $client->otherTraining, $sessions, $particular);
            $gaps = [...$gaps, ...$this->gaps($number, $covered, $choices, $placements, count($sessions))];
        }
        $title = sprintf('%s: %s', $home->name, $weeks === 1 ? 'one week' : $weeks.' weeks');

        $program = new Program($planned, $title, $this->style->id, $home, $gaps, $calendar->kept());

        return $home->extraSets === [] ? $program : ProgramRefit::of($this->library)->into(
            ExtraSet::into($program, $home->extraSets, $this->library, 1),
            $home,
        )[0];
    }

    /**
     * @return array{list<Placement>, array<string, list<ExerciseChoice>>} where the client is placed, and what is planned from there
     */
    private function choices(Client $client, GoalRule $goal): array
    {
        $placements = $this->placer->place($client);

        return [$placements, (new ExerciseChooser($this->library, $this->style))->choices($client, $goal, $placements)];
    }

    /**
     * @param  array{int, int}  $before  work and sets of the hardest week so far
     * @param  array{int, int}  $now
     */
    private function growsTooFast(array $before, array $now): bool
    {
        return 100 * $now[0] > (100 + self::MOST_GROWTH_PERCENT) * $before[0] && $now[1] > $before[1] + 1;
    }

    /** What is particular about a week. */
    private function noted(int $number, int $weeks, bool $light): Extras
    {
        $x = $light ? new Extras(['lighter' => 'A lighter week: one set less of each exercise, no step up.']) : new Extras;

        return $number === $weeks && $weeks >= self::TEST_AFTER_WEEKS
            ? $x->with('test_day', 'Test again at the end of this week, not within 48 h of a hard session.')
            : $x;
    }

    /**
     * @param  list<Slot>  $slots
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @return array{list<Session>, array<string, int>, array{int, int}} the sessions through the week, how many train each
     *                                                                  direction, and the milliseconds of work and sets in all four
     */
    private function week(array $slots, Client $client, GoalRule $goal, array $choices, bool $light): array
    {
        $covered = $ms = $sets = array_fill_keys(array_column(Category::directions(), 'value'), 0);
        $sessions = [];
        foreach ($slots as $slot) {
            $session = $client->isAtHomeOn($slot->day)
                ? $this->fill(
                    $slot->atHome(),
                    $client->atHome(),
                    $goal,
                    (new Homework($this->library))->of($choices, $client),
                    $covered,
                    $ms,
                    $light,
                )
                : $this->fill($slot, $client, $goal, $choices, $covered, $ms, $light);
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
    private function fill(Slot $slot, Client $client, GoalRule $goal, array $choices, array $covered, array $ms, bool $light): ?Session
    {
        $open = $choices[Category::Bracing->value][0] ?? null;
        $draft = $this->draft($slot, $client, $goal, $choices, $covered, $ms, $light, $open);
        if ($draft->isEmpty() && $open !== null) {
            $draft = $this->draft($slot, $client, $goal, $choices, $covered, $ms, $light, null);
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
        GoalRule $goal,
        array $choices,
        array $covered,
        array $ms,
        bool $light,
        ?ExerciseChoice $open,
    ): SessionDraft {
        $circuit = ($goal->circuit || $this->style->plan->circuit) && $slot->kind !== Kind::Activation;
        $draft = new SessionDraft($slot, $circuit, $this->library, $this->style, $goal);
        $steps = new Steps($this->style, $client);
        if ($open !== null) {
            $draft->openWith($open, $steps->dose($open->rung, $open->step, $open->range)->withSets(1));
        }
        $order = $this->needs($slot, $goal, $covered);
        foreach ($order as $direction) {
            $this->addFrom($choices[$direction->value], $covered[$direction->value], $draft, $steps, $slot, $circuit);
        }
        $this->raiseSets($draft, $light ? $goal->sets - 1 : $goal->sets, $slot, $ms, $goal);
        foreach ($this->style->plan->accessories as $category) {
            $this->addFrom($choices[$category->value], 0, $draft, $steps, $slot, $circuit);
        }
        if ($slot->mayBeHard) {
            foreach ($order as $direction) {
                $this->addFrom($choices[$direction->value], $covered[$direction->value] + 1, $draft, $steps, $slot, $circuit);
            }
        }
        $this->raiseSets($draft, $light ? $goal->sets - 1 : $goal->mostSets, $slot, $ms, $goal);

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
    private function raiseSets(SessionDraft $draft, int $sets, Slot $slot, array $ms, GoalRule $goal): void
    {
        for ($reached = 2; $reached <= $sets; $reached++) {
            $tried = [];
            $worked = $this->worked($draft->items(), $ms, $goal);
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
                    $worked = $this->worked($draft->items(), $ms, $goal);
                }
            }
        }
    }

    /**
     * @param  list<DraftItem>  $items
     * @param  array<string, int>  $ms  work of the week before this session, by category
     * @return array<string, int> with this session's so far; what the goal wants first counts half, so that it gets more
     */
    private function worked(array $items, array $ms, GoalRule $goal): array
    {
        foreach ($items as $item) {
            $code = $item->choice->rung->category->value;
            $ms[$code] = ($ms[$code] ?? 0) + $item->dose->tension()->ms;
        }
        foreach ($goal->first as $category) {
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
    private function needs(Slot $slot, GoalRule $goal, array $covered): array
    {
        $directions = Category::directions();
        $wanted = [...$goal->first, ...$directions];
        $rank = fn (Category $direction): array => [
            -max(0, ($goal->sessions[$direction->value] ?? $this->style->directionSessions) - $covered[$direction->value]),
            $slot->mayBeHard || $direction !== Category::AntiRotation,
            array_search($direction, $wanted, true),
        ];
        usort($directions, static fn (Category $a, Category $b): int => $rank($a) <=> $rank($b));

        return $directions;
    }

    /**
     * @param  array<string, int>  $covered
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @param  list<Placement>  $placements
     * @return list<Gap>
     */
    private function gaps(int $week, array $covered, array $choices, array $placements, int $sessions): array
    {
        $gaps = [];
        foreach (Category::directions() as $direction) {
            $times = $covered[$direction->value];
            if ($times >= $this->style->directionSessions) {
                continue;
            }
            $gaps[] = new Gap($direction, $week, match (true) {
                $choices[$direction->value] === [] => $this->whyNothing($direction, $placements),
                $sessions === 0 => 'No day has minutes for a session.',
                $times === 0 => 'The minutes of the week leave no room for it.',
                $sessions === 1 => 'Once only: the week has one training day.',
                default => sprintf(
                    '%s only: the other days have no room for it, or stay light beside other training.',
                    $times === 1 ? 'Once' : $times.' times',
                ),
            });
        }

        return $gaps;
    }

    /** @param  list<Placement>  $placements */
    private function whyNothing(Category $direction, array $placements): string
    {
        $reasons = [];
        foreach ($placements as $placement) {
            if ($placement->ladder->category === $direction) {
                $labels = array_merge(
                    [],
                    ...array_map(
                        fn (Obstacles $each): array => $each->unmetGates === [] ? $each->labels($this->library) : [],
                        $placement->obstacles,
                    ),
                );
                $reasons[] = sprintf('%s: %s.', $placement->ladder->name, match (true) {
                    $placement->rung !== null => 'the goal leaves out every rung that is allowed',
                    $labels === [] => 'its first rung stands too far above the ability',
                    default => 'nothing is allowed ('.implode(', ', array_unique($labels)).')',
                });
            }
        }

        return $reasons === [] ? 'The library has no ladder for it.' : implode(' ', $reasons);
    }
}
