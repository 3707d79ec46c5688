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
use EvenRungs\Core\Program\Session;
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
        $fill = fn (?ExerciseChoice $open): SessionDraft => (
            new SessionFill($slot, $client, $choices, $ms, $this->library, $this->style, $this->goal)
        )->draft($covered, $light, $open);
        $draft = $fill($open);
        if ($draft->isEmpty() && $open !== null) {
            $draft = $fill(null);
        }

        return $draft->isEmpty() ? null : $draft->session();
    }
}
