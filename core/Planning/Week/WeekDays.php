<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Weekday;

/**
 * Chooses the days of a week together with what stands on them: of all weeks that cost the least the one whose sessions are worth the most
 * once they are filled; of those that are worth as much the first.
 */
final class WeekDays
{
    public function __construct(private readonly Style $style, private readonly GoalRule $goal, private readonly WeekDraft $draft)
    {
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices  what may be planned, by category
     * @param  list<Weekday>  $matches  days of a match
     * @param  array<int, DayUse>  $wished  use of single days by number, Monday 0
     */
    public function of(Client $client, array $choices, array $matches = [], array $wished = []): ChosenWeek
    {
        $wishes = WeekWishes::of($client, $this->style, $this->goal, $matches, $wished);
        $weeks = [];
        foreach (BestWeek::all($wishes, $this->style->weekWeights) as $week) {
            $slots = $this->slotsOf($week, $client, $matches);
            $weeks[self::alike($slots, $client)] ??= [$week, $slots];
        }
        [$best] = reset($weeks);
        $most = null;
        foreach (count($weeks) > 1 ? $weeks : [] as [$week, $slots]) {
            $worth = $this->draft->worth($slots, $client, $choices);
            if ($most === null || $worth > $most) {
                [$best, $most] = [$week, $worth];
            }
        }

        return $best;
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @param  list<Weekday>  $matches
     * @param  array<int, DayUse>  $wished
     * @return list<Slot> as in `WeekSlots`
     */
    public function slots(Client $client, array $choices, array $matches = [], array $wished = []): array
    {
        return $this->slotsOf($this->of($client, $choices, $matches, $wished), $client, $matches);
    }

    /**
     * @param  list<Weekday>  $matches
     * @return list<Slot>
     */
    private function slotsOf(ChosenWeek $week, Client $client, array $matches): array
    {
        return (new WeekSlots($this->style))->of($client, $week->uses, $matches);
    }

    /**
     * @param  list<Slot>  $slots
     * @return string the same for weeks whose sessions can be filled alike
     */
    private static function alike(array $slots, Client $client): string
    {
        $each = array_map(
            static fn (Slot $slot): string => sprintf(
                '%s %d %d %d',
                $slot->kind->value,
                $slot->mayBeHard,
                $slot->length->ms,
                $client->isAtHomeOn($slot->day),
            ),
            $slots,
        );
        sort($each);

        return implode(', ', $each);
    }
}
