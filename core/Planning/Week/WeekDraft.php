<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Planning\Session\SessionFill;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Fills the sessions of one week, one after the other, each by what those before it have trained.
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
        $covered = $ms = array_fill_keys(array_column(Category::directions(), 'value'), 0);
        $drafts = [];
        foreach ($slots as $slot) {
            $draft = $client->isAtHomeOn($slot->day)
                ? $this->fill($slot->atHome(), $client->atHome(), (new Homework($this->library))->of($choices, $client), $covered, $ms)
                : $this->fill($slot, $client, $choices, $covered, $ms);
            if ($draft->isEmpty()) {
                continue;
            }
            $drafts[] = $draft;
            $shares = DirectionShares::of(new Week(1, [], [$draft->session()]), $this->library);
            foreach (array_keys($covered) as $code) {
                $ms[$code] += $shares->ms[$code];
                $covered[$code] += $shares->sessions[$code];
            }
        }

        return new DraftedWeek($slots, $drafts, $this->library);
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @param  array<string, int>  $covered  sessions of the week so far that train each direction
     * @param  array<string, int>  $ms  work of the week so far, by category
     */
    private function fill(Slot $slot, Client $client, array $choices, array $covered, array $ms): SessionDraft
    {
        $open = $choices[Category::Bracing->value][0] ?? null;
        $fill = fn (?ExerciseChoice $open): SessionDraft => (
            new SessionFill($slot, $client, $choices, $ms, $this->library, $this->style, $this->goal)
        )->draft($covered, $open);
        $draft = $fill($open);

        return $draft->isEmpty() && $open !== null ? $fill(null) : $draft;
    }
}
