<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Planning\Aim\AimedSlot;
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
        $aimed = [];
        $turn = 0;
        foreach ($slots as $place => $slot) {
            [$there, $own] = $client->isAtHomeOn($slot->day)
                ? [$client->atHome(), (new Homework($this->library))->of($choices, $client)]
                : [$client, $choices];
            $slot = $there === $client ? $slot : $slot->atHome();
            if ($slot->kind === Kind::Activation) {
                $drafts[$place] = SwitchOn::of($slot, $there, $own, $turn++, $this->library, $this->style, $this->goal);
            } else {
                $aimed[$place] = AimedSlot::of($slot, $there, $own, $this->library, $this->style, $this->goal);
            }
        }
        $aimed = array_filter($aimed);
        $aim = WeekAim::of($client, $this->goal, $this->style, array_values(array_filter(
            Category::directions(),
            static fn (Category $direction): bool => $choices[$direction->value] !== [],
        )));
        $ways = WeekSearch::best(array_map(static fn (AimedSlot $each) => $each->session, array_values($aimed)), $aim);
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
}
