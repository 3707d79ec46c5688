<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\OutOfRange;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Choice\ExerciseChooser;
use EvenRungs\Core\Planning\Choice\Pace;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Program\Extras;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramRefit;
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
     * @param  Pace  $pace  the client's own, where logs show it
     *
     * @throws InvalidValue when the number of weeks is out of range
     */
    public function plan(Client $client, int $weeks = 1, Calendar $calendar = new Calendar, Pace $pace = new Pace): Program
    {
        if ($weeks < 1 || $weeks > self::MOST_WEEKS) {
            throw OutOfRange::outside('the number of weeks', $weeks, 1, self::MOST_WEEKS);
        }
        $goal = GoalRule::for($client, $this->goals);
        $draft = new WeekDraft($this->library, $this->style, $goal);
        $days = new WeekDays($this->style, $goal, $draft);
        $home = $client;
        $choices = $usual = $this->choices($client, $goal);
        $short = new WeekGaps(
            $this->library,
            $this->style,
            $goal,
            fn (Client $client): array => $this->choices($client, GoalRule::for($client, $this->goals)),
            fn (Client $client): array => $this->firstWeek($client, $calendar)->covered(),
        );
        $progression = new Progression($this->library, $this->style, new Steps($this->style, $client), $goal, $pace);
        $growth = new WeekGrowth($progression, $choices);
        $slots = $usualSlots = $days->slots($client, $choices, [], $calendar->wished);
        $told = new WeekNotes($this->style, $goal);
        $planned = $gaps = [];
        $notes = [...$told->ofChoices($choices), ...($weeks === 1 ? [] : $told->ofPace($choices, $pace, $this->library))];
        /** @var list<DraftedWeek> $bases the last week of each kind of days, lighter ones left out */
        $bases = [];
        $most = null;
        for ($number = 1; $number <= $weeks; $number++) {
            $away = $calendar->away[$number] ?? null;
            $matches = $calendar->matches[$number] ?? [];
            $client = $away === null ? $home : $home->inPlace($away->days, $away->equipment);
            $choices = $away === null ? $usual : $this->choices($client, $goal);
            $slots = $away === null && $matches === [] ? $usualSlots : $days->slots(
                $client,
                $choices,
                $matches,
                $calendar->wished,
            );
            $light = $progression->isLight($number, $weeks);
            $before = array_search($slots, array_column($bases, 'slots'), false);
            $waits = [];
            if ($before === false) {
                for ($held = 0; ; $held++) {
                    $week = $draft->week($slots, $client, $progression->at($choices, $number, $held, $client));
                    $isTooMuch = self::growsTooFast($most[0] ?? PHP_INT_MAX, $week) && $week->directionSets() > ($most[1] ?? 0) + 1;
                    if ($held >= $number || ! $isTooMuch) {
                        break;
                    }
                }
            } else {
                [$week, $waits] = $light ? [$bases[$before], []] : $growth->next(
                    $bases[$before],
                    $number,
                    $client,
                    static fn (DraftedWeek $week): bool => self::growsTooFast($most[0] ?? PHP_INT_MAX, $week),
                );
                unset($bases[$before]);
            }
            $bases = [$week, ...$bases];
            $whole = $week->covered();
            $particular = new Extras;
            if ($light) {
                [$week, $lighter] = LighterWeek::of($week);
                $particular = $particular->with('lighter', $lighter);
            } else {
                $notes = [...$notes, ...$told->ofMinutes($number, $week, $client)];
                $most = [max($most[0] ?? 0, $week->directionMs()), max($most[1] ?? 0, $week->directionSets())];
            }
            $particular = $calendar->noted($number, $this->noted($number, $weeks, $particular));
            $planned[] = new Week($number, $client->otherTraining, $week->sessions, $particular);
            $notes = [...$notes, ...$waits];
            $gaps = [...$gaps, ...$short->of($number, $client, $week->covered(), $whole)];
        }
        $title = sprintf('%s: %s', $home->name, $weeks === 1 ? 'one week' : $weeks.' weeks');

        $program = new Program($planned, $title, $this->style->id, $home, $gaps, $pace->kept($calendar->kept()), $notes);

        return $home->extraSets === [] ? $program : ProgramRefit::of($this->library)->into(
            ExtraSet::into($program, $home->extraSets, $this->library, 1),
            $home,
        )[0];
    }

    /** How the days of the first week are used, and what had to give for it. */
    public function days(Client $client, Calendar $calendar = new Calendar): ChosenWeek
    {
        $goal = GoalRule::for($client, $this->goals);

        return (new WeekDays($this->style, $goal, new WeekDraft($this->library, $this->style, $goal)))
            ->of($client, $this->choices($client, $goal), $calendar->matches[1] ?? [], $calendar->wished);
    }

    /** A week of somebody without a program before it. */
    private function firstWeek(Client $client, Calendar $calendar): DraftedWeek
    {
        $goal = GoalRule::for($client, $this->goals);
        $draft = new WeekDraft($this->library, $this->style, $goal);
        $choices = $this->choices($client, $goal);
        $slots = (new WeekDays($this->style, $goal, $draft))->slots($client, $choices, [], $calendar->wished);

        return $draft->week($slots, $client, $choices);
    }

    /** @return array<string, list<ExerciseChoice>> what may be planned for a client, by category, the best first */
    private function choices(Client $client, GoalRule $goal): array
    {
        return (new ExerciseChooser($this->library, $this->style))->choices($client, $goal, $this->placer->place($client));
    }

    /** @param  int  $beforeMs  work of the hardest week so far */
    private static function growsTooFast(int $beforeMs, DraftedWeek $now): bool
    {
        return $now->directionMs() > $beforeMs / 100 * (100 + self::MOST_GROWTH_PERCENT);
    }

    /** What is particular about a week. */
    private function noted(int $number, int $weeks, Extras $x): Extras
    {
        return $number === $weeks && $weeks >= self::TEST_AFTER_WEEKS
            ? $x->with('test_day', 'Test again at the end of this week, not within 48 h of a hard session.')
            : $x;
    }
}
