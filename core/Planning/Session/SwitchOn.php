<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * A session of its own that only switches on, before a heavy lift or a match: one set of each direction as far as its rules have room,
 * what the goal wants first before the others.
 */
final class SwitchOn
{
    /**
     * @param  array<string, list<ExerciseChoice>>  $choices  by category, the best first
     * @param  int  $turn  of the week: the best two of a direction go by turns
     */
    public static function of(
        Slot $slot,
        Client $client,
        array $choices,
        int $turn,
        Library $library,
        Style $style,
        GoalRule $goal,
    ): SessionDraft {
        $doses = new SlotDose($slot, false, new Steps($style, $client), $style);
        $draft = new SessionDraft($doses, $library, $style, $goal, (new Preparation($library))->of($slot, $client));
        $open = $choices[Category::Bracing->value][0] ?? null;
        foreach ($open === null ? [null] : [$doses->opening($open), null] as $opening) {
            $filled = $draft->openedBy($opening);
            foreach (array_unique([...$goal->first, ...Category::directions()], SORT_REGULAR) as $direction) {
                $two = array_slice($choices[$direction->value], 0, 2);
                $item = $two === [] ? null : $doses->of($two[$turn % count($two)], 1);
                $with = $item === null ? $filled : $filled->changed(static fn ($each) => $each, $item);
                $filled = $with->isAllowed() ? $with : $filled;
            }
            if (! $filled->isEmpty() && $filled->isAllowed()) {
                return $filled;
            }
        }

        return $draft;
    }
}
