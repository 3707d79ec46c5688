<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Planning\Aim\AimedSlot;
use EvenRungs\Core\Planning\Aim\FilledWeek;
use EvenRungs\Core\Planning\Aim\WeekAim;
use EvenRungs\Core\Planning\Aim\WeekSearch;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Planning\Session\SwitchOn;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Fills the sessions of one week: those of a switch-on one by one, all others together, by what they are worth together.
 */
final class WeekDraft
{
    public function __construct(private readonly Library $library, private readonly Style $style, private readonly GoalRule $goal)
    {
    }

    /**
     * @param  list<Slot>  $slots
     * @param  array<string, list<ExerciseChoice>>  $choices
     */
    public function week(array $slots, Client $client, array $choices): DraftedWeek
    {
        /** @var array<int, SessionDraft> $drafts */
        $drafts = [];
        $turn = 0;
        foreach ($slots as $place => $slot) {
            if ($slot->kind === Kind::Activation) {
                [$there, $own, $slot] = $this->onDayOf($slot, $client, $choices);
                $drafts[$place] = SwitchOn::of($slot, $there, $own, $turn++, $this->library, $this->style, $this->goal);
            }
        }
        $aimed = $this->aimed($slots, $client, $choices);
        $ways = $this->filled($aimed, $client, $choices)->ways();
        foreach (array_keys($aimed) as $i => $place) {
            $drafts[$place] = $aimed[$place]->filled($ways[$i]);
        }
        ksort($drafts);

        return new DraftedWeek(
            $slots,
            array_values(array_filter($drafts, static fn (SessionDraft $draft): bool => ! $draft->isEmpty())),
            $this->library,
        );
    }

    /**
     * @param  list<Slot>  $slots
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @return int points of the sessions together, those of a switch-on left out
     */
    public function worth(array $slots, Client $client, array $choices): int
    {
        return $this->filled($this->aimed($slots, $client, $choices), $client, $choices)->worth();
    }

    /**
     * @param  array<int, AimedSlot>  $aimed
     * @param  array<string, list<ExerciseChoice>>  $choices
     */
    private function filled(array $aimed, Client $client, array $choices): FilledWeek
    {
        $aim = WeekAim::of($client, $this->goal, $this->style, array_values(array_filter(
            Category::directions(),
            static fn (Category $direction): bool => $choices[$direction->value] !== [],
        )));

        return WeekSearch::best(array_map(static fn (AimedSlot $each) => $each->session, array_values($aimed)), $aim);
    }

    /**
     * @param  list<Slot>  $slots
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @return array<int, AimedSlot> by the place of the slot; what has room for nothing and a switch-on are left out
     */
    private function aimed(array $slots, Client $client, array $choices): array
    {
        $aimed = [];
        foreach ($slots as $place => $slot) {
            if ($slot->kind !== Kind::Activation) {
                [$there, $own, $slot] = $this->onDayOf($slot, $client, $choices);
                $aimed[$place] = AimedSlot::of($slot, $there, $own, $this->library, $this->style, $this->goal);
            }
        }

        return array_filter($aimed);
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @return array{Client, array<string, list<ExerciseChoice>>, Slot} with the kit and the moves of home on a day at home
     */
    private function onDayOf(Slot $slot, Client $client, array $choices): array
    {
        return $client->isAtHomeOn($slot->day)
            ? [$client->atHome(), (new Homework($this->library))->of($choices, $client), $slot->atHome()]
            : [$client, $choices, $slot];
    }
}
