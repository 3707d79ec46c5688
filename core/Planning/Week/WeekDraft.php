<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Planning\Session\RoleBalance;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Planning\Session\SessionFill;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\SessionShape;
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
        $drafts = $choicesOf = $most = [];
        foreach ($slots as $place => $slot) {
            $later = $this->roomFor(array_slice($slots, $place + 1));
            [$there, $own] = $client->isAtHomeOn($slot->day)
                ? [$client->atHome(), (new Homework($this->library))->of($choices, $client)]
                : [$client, $choices];
            $draft = $this->fill(
                $there === $client ? $slot : $slot->atHome(),
                $there,
                $own,
                $covered,
                $ms,
                $later,
                $this->roles($drafts),
                self::used($drafts),
            );
            if ($draft->isEmpty()) {
                continue;
            }
            $drafts[] = $draft;
            $choicesOf[] = $own;
            $most[] = SessionShape::mostExercises($slot->length, $client, $this->style);
            $shares = DirectionShares::of(new Week(1, [], [$draft->session()]), $this->library);
            foreach (array_keys($covered) as $code) {
                $ms[$code] += $shares->ms[$code];
                $covered[$code] += $shares->sessions[$code];
            }
        }

        return new DraftedWeek($slots, (new MissedDirections($drafts, $choicesOf, $most))->placed(), $this->library);
    }

    /**
     * @param  list<SessionDraft>  $drafts  of the week so far
     * @return list<string> their ladders, each as often as it is there
     */
    private static function used(array $drafts): array
    {
        return array_merge([], ...array_map(
            static fn (SessionDraft $draft): array => array_map(
                static fn (DraftItem $item): string => $item->choice->rung->ladder,
                $draft->items(),
            ),
            $drafts,
        ));
    }

    /** @param  list<SessionDraft>  $drafts  of the week so far */
    private function roles(array $drafts): RoleBalance
    {
        $items = array_merge([], ...array_map(
            static fn (SessionDraft $draft): array => array_values(array_filter([$draft->opening(), ...$draft->items()])),
            $drafts,
        ));

        return new RoleBalance($this->style->plan->roleShares, $items);
    }

    /**
     * @param  list<Slot>  $slots
     * @return int how many directions they have room for: all four on a hard day, two on a light one
     */
    private function roomFor(array $slots): int
    {
        return array_sum(array_map(
            fn (Slot $slot): int => min($this->style->plan->mostDirections(), match (true) {
                $slot->kind === Kind::Activation => 0,
                $slot->mayBeHard => count(Category::directions()),
                default => SessionShape::LIGHT_DIRECTIONS,
            }),
            $slots,
        ));
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @param  array<string, int>  $covered  sessions of the week so far that train each direction
     * @param  array<string, int>  $ms  work of the week so far, by category
     * @param  int  $later  directions that the sessions after this one have room for
     * @param  list<string>  $used  ladders of the week so far
     */
    private function fill(
        Slot $slot,
        Client $client,
        array $choices,
        array $covered,
        array $ms,
        int $later,
        RoleBalance $roles,
        array $used,
    ): SessionDraft {
        $open = $choices[Category::Bracing->value][0] ?? null;
        $fill = fn (?ExerciseChoice $open): SessionDraft => (
            new SessionFill($slot, $client, $choices, $ms, $this->library, $this->style, $this->goal, $roles, $used)
        )->draft($covered, $open, $later);
        $draft = $fill($open);

        return $draft->isEmpty() && $open !== null ? $fill(null) : $draft;
    }
}
