<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Program\Note;
use EvenRungs\Core\Time\Weekday;

/**
 * A week grown from the one before it: the same exercises and sets, each a step further where its time has come. Where the minutes, or the
 * growth of the whole week, have no room for a step, it waits; a step of a direction that has waited a week takes the room of what is no
 * direction. No direction loses a set for it (house rules).
 */
final class WeekGrowth
{
    /** @var array<string, int> the turn of each ladder */
    private array $turns = [];

    /** @param  array<string, list<ExerciseChoice>>  $choices  of the first week */
    public function __construct(private readonly Progression $progression, array $choices)
    {
        $turn = 0;
        foreach ($choices as $list) {
            foreach ($list as $choice) {
                $this->turns[$choice->rung->ladder] ??= $turn++;
            }
        }
    }

    /**
     * @param  callable(DraftedWeek): bool  $growsTooFast
     * @return array{DraftedWeek, list<Note>} the week, and which steps wait
     */
    public function next(DraftedWeek $before, int $week, Client $client, callable $growsTooFast): array
    {
        $further = $this->further($before, $week, $client);
        $from = $before->drafts;
        $held = [];
        while ($further !== []) {
            $drafts = array_map(fn (SessionDraft $draft): SessionDraft => $this->grown($draft, $further), $from);
            $over = $this->firstOver($drafts);
            $next = $over === null ? $before->with($drafts) : null;
            if ($next !== null && ! $growsTooFast($next)) {
                return [$before->with($this->givenBack($drafts, $before->drafts)), $this->told($week, $held)];
            }
            $room = $over === null ? null : $this->withRoom($from[$over], $further, $week);
            if ($room !== null) {
                $from = array_values([...$from, $over => $room]);

                continue;
            }
            $waits = $this->waiting($further, $over === null ? $from : [$from[$over]]);
            $held[$over === null ? '' : $from[$over]->doses->slot->day->value][] = $further[$waits][0]->rung->name;
            unset($further[$waits]);
            // what gave way for the others may have given way for this one
            $from = $before->drafts;
        }

        return [$before, $this->told($week, $held)];
    }

    private function stepsBy(int $week, string $ladder): int
    {
        return $this->progression->stepsBy($week, $this->turns[$ladder] ?? 0, $ladder);
    }

    /**
     * The session with less of what is no direction, where a direction's step is due for more than a week.
     *
     * @param  array<string, array{ExerciseChoice, int}>  $further
     */
    private function withRoom(SessionDraft $draft, array $further, int $week): ?SessionDraft
    {
        $isDue = fn (DraftItem $item): bool => isset($further[$item->choice->rung->id]) && $item->choice->rung->category->isDirection()
            && $this->stepsBy($week - 1, $item->choice->rung->ladder) > $item->grown;
        $spare = array_filter($draft->items(), static fn (DraftItem $item): bool => ! $item->choice->rung->category->isDirection());
        if ($draft->doses->circuit || $spare === [] || array_filter($draft->items(), $isDue) === []) {
            return null;
        }
        $most = max(array_map(static fn (DraftItem $item): int => $item->dose->sets, $spare));
        $gives = array_values(array_filter($spare, static fn (DraftItem $item): bool => $item->dose->sets === $most));
        $gives = $gives[count($gives) - 1];

        return $draft->changed(static fn (DraftItem $item): ?DraftItem => match (true) {
            $item !== $gives => $item,
            $most > 1 => $item->withSets($most - 1),
            default => null,
        });
    }

    /**
     * What gave way for a step and has room all the same stays as it was.
     *
     * @param  list<SessionDraft>  $drafts
     * @param  list<SessionDraft>  $before
     * @return list<SessionDraft>
     */
    private function givenBack(array $drafts, array $before): array
    {
        $sets = static fn (SessionDraft $draft, string $ladder): int => array_sum(array_map(
            static fn (DraftItem $item): int => $item->choice->rung->ladder === $ladder ? $item->dose->sets : 0,
            $draft->items(),
        ));
        $grown = [];
        foreach ($drafts as $draft) {
            foreach ($draft->items() as $item) {
                $grown[$item->choice->rung->ladder] = $item;
            }
        }
        foreach ($drafts as $place => $draft) {
            foreach ($before[$place]->items() as $was) {
                $ladder = $was->choice->rung->ladder;
                $is = $grown[$ladder] ?? $was;
                $is = $is->choice->rung !== $was->choice->rung && $draft->doses->slot->atHome ? $was : $is;
                while (! $was->choice->rung->category->isDirection() && $sets($draft, $ladder) < $was->dose->sets) {
                    $more = $sets($draft, $ladder) > 0
                        ? $draft->changed(static fn (DraftItem $item): DraftItem => $item->choice->rung->ladder === $ladder
                            ? $item->withSets($item->dose->sets + 1)
                            : $item)
                        : $draft->changed(static fn (DraftItem $item): DraftItem => $item, $is->withSets(1));
                    if (! $more->isAllowed()) {
                        break;
                    }
                    $draft = $more;
                }
            }
            $drafts[$place] = $draft;
        }

        return $drafts;
    }

    /**
     * @param  list<SessionDraft>  $drafts
     * @return ?int the place of the first that is not allowed, or holds an exercise twice
     */
    private function firstOver(array $drafts): ?int
    {
        foreach ($drafts as $place => $draft) {
            $rungs = array_map(static fn (DraftItem $item): string => $item->choice->rung->id, $draft->items());
            if (count(array_unique($rungs)) < count($rungs) || ! $draft->isAllowed()) {
                return $place;
            }
        }

        return null;
    }

    /**
     * What could take a step, by the rung it stands on.
     *
     * @return array<string, array{ExerciseChoice, int}> where it would be, and how many steps it has taken
     */
    private function further(DraftedWeek $before, int $week, Client $client): array
    {
        $further = [];
        foreach ($before->drafts as $draft) {
            foreach ([$draft->opening(), ...$draft->items()] as $item) {
                $rung = $item?->choice->rung;
                if ($item === null || $rung === null || isset($further[$rung->id])) {
                    continue;
                }
                if ($this->stepsBy($week, $rung->ladder) <= $item->grown) {
                    continue;
                }
                $choice = $this->progression->after($item->first(), $item->grown + 1, $client);
                $isNew = $choice->rung !== $rung;
                $isFurther = $isNew || $choice->step !== $item->choice->step || $choice->range != $item->choice->range;
                // nobody watches at home: no new rung there
                if ($isFurther && ! ($isNew && $draft->doses->slot->atHome)) {
                    $further[$rung->id] = [$choice, $item->grown];
                }
            }
        }

        return $further;
    }

    /** @param  array<string, array{ExerciseChoice, int}>  $further */
    private function grown(SessionDraft $draft, array $further): SessionDraft
    {
        $grown = static function (DraftItem $item) use ($further, $draft): DraftItem {
            $choice = $further[$item->choice->rung->id][0] ?? null;
            $isNewAtHome = $choice !== null && $choice->rung !== $item->choice->rung && $draft->doses->slot->atHome;
            if ($choice === null || $isNewAtHome) {
                return $item;
            }

            return ($item === $draft->opening() ? $draft->doses->opening($choice) : $draft->doses->of($choice, 1))->growing($item);
        };
        $opening = $draft->opening();

        return $draft->changed($grown)->openedBy($opening === null ? null : $grown($opening));
    }

    /**
     * Which step waits: of those in the sessions that have no room, first what is no direction, then the one that has grown most, and of
     * these the last.
     *
     * @param  non-empty-array<string, array{ExerciseChoice, int}>  $further
     * @param  array<SessionDraft>  $drafts
     */
    private function waiting(array $further, array $drafts): string
    {
        $there = [];
        foreach ($drafts as $draft) {
            foreach ([$draft->opening(), ...$draft->items()] as $item) {
                $there[$item?->choice->rung->id ?? ''] = true;
            }
        }
        $waits = $most = null;
        foreach (array_intersect_key($further, $there) ?: $further as $rung => [$choice, $grown]) {
            $rank = [$choice->rung->category->isDirection() ? 0 : 1, $grown];
            if ($most === null || $rank >= $most) {
                [$waits, $most] = [$rung, $rank];
            }
        }

        return (string) $waits;
    }

    /**
     * @param  array<string, list<string>>  $held  names of exercises, by the day that has no room for them; '' for the whole week
     * @return list<Note>
     */
    private function told(int $week, array $held): array
    {
        $notes = [];
        foreach ($held as $day => $names) {
            $on = Weekday::tryFrom($day);
            $notes[] = new Note($week, $on, Note::GROWTH_HELD, sprintf(
                '%s: the next step waits for %s.',
                $on === null ? 'The work of the week would grow by more than a fifth' : sprintf('%s has no room for more', $on->label()),
                implode('; ', array_map(lcfirst(...), $names)),
            ));
        }

        return $notes;
    }
}
