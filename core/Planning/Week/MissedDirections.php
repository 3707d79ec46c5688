<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\SessionShape;

/**
 * A place for a direction that a filled week misses: what is no direction gives way for it, then second sets, then what another session
 * trains too (house rule).
 */
final class MissedDirections
{
    /**
     * @param  list<SessionDraft>  $drafts  of the week
     * @param  list<array<string, list<ExerciseChoice>>>  $choices  of each session, by category
     * @param  list<int>  $most  exercises of each session, at most
     */
    public function __construct(private array $drafts, private readonly array $choices, private readonly array $most)
    {
    }

    /** @return list<SessionDraft> the week with a place for every direction for which there is one */
    public function placed(): array
    {
        foreach (Category::directions() as $direction) {
            if (($this->times()[$direction->value] ?? 0) === 0) {
                $this->place($direction);
            }
        }
        $trained = $this->trained();
        if ($trained === count(Category::directions())) {
            return $this->drafts;
        }
        $other = new self(BestCover::of($this->drafts, $this->choices, $this->most), $this->choices, $this->most);

        return $other->trained() > $trained ? $other->drafts : $this->drafts;
    }

    private function trained(): int
    {
        return count(array_filter(Category::directions(), fn (Category $each): bool => ($this->times()[$each->value] ?? 0) > 0));
    }

    private function place(Category $direction): void
    {
        $best = null;
        foreach ($this->drafts as $place => $draft) {
            if ($draft->doses->slot->kind === Kind::Activation) {
                continue;
            }
            $given = 0;
            for ($less = $draft; $less !== null; $less = $this->less($less), $given++) {
                $with = $this->with($less, $direction, $place);
                if ($with !== null && ($best === null || $given < $best[0])) {
                    $best = [$given, $place, $with];
                }
                if ($with !== null) {
                    break;
                }
            }
        }
        if ($best !== null) {
            $this->drafts = array_values([...$this->drafts, $best[1] => $best[2]]);
        }
    }

    private function with(SessionDraft $draft, Category $direction, int $place): ?SessionDraft
    {
        if (count($draft->items()) >= $this->most[$place]) {
            return null;
        }
        $sets = $draft->doses->circuit ? [$draft->items()[0]->dose->sets ?? 1] : [SessionShape::SETS_FIRST, 1];
        // one set alone stands beside nothing that is no direction
        $mayBeOne = $draft->doses->circuit || self::beside($draft) === [];
        foreach ($sets as $count) {
            foreach ($count > 1 || $mayBeOne ? $this->choices[$place][$direction->value] : [] as $choice) {
                $with = $draft->changed(static fn (DraftItem $item): DraftItem => $item, $draft->doses->of($choice, $count));
                if ($with->isAllowed()) {
                    return $with;
                }
            }
        }

        return null;
    }

    /** The session with one thing less; null where nothing more may go. */
    private function less(SessionDraft $draft): ?SessionDraft
    {
        $items = $draft->items();
        $beside = self::beside($draft);
        if ($beside !== []) {
            return self::without($draft, $beside[array_key_last($beside)]);
        }
        $sets = array_map(static fn (DraftItem $item): int => $item->dose->sets, $items);
        $largest = $sets === [] ? false : array_search(max($sets), $sets, true);
        if ($largest !== false && $sets[$largest] > 1) {
            $least = $sets[$largest] - 1;

            return $draft->changed(static fn (DraftItem $item): DraftItem => $item === $items[$largest] || $draft->doses->circuit
                ? $item->withSets($least)
                : $item);
        }
        $here = array_count_values(array_map(static fn (DraftItem $item): string => $item->choice->rung->category->value, $items));
        foreach ($items as $item) {
            $code = $item->choice->rung->category->value;
            if ($here[$code] > 1 || ($this->times()[$code] ?? 0) > 1) {
                return self::without($draft, $item);
            }
        }

        return null;
    }

    /** @return array<int, DraftItem> what is no direction */
    private static function beside(SessionDraft $draft): array
    {
        return array_filter($draft->items(), static fn (DraftItem $item): bool => ! $item->choice->rung->category->isDirection());
    }

    private static function without(SessionDraft $draft, DraftItem $gone): SessionDraft
    {
        return $draft->changed(static fn (DraftItem $item): ?DraftItem => $item === $gone ? null : $item);
    }

    /** @return array<string, int> sessions that train each direction */
    private function times(): array
    {
        $times = [];
        foreach ($this->drafts as $draft) {
            if ($draft->doses->slot->kind === Kind::Activation) {
                continue;
            }
            $codes = array_map(static fn (DraftItem $item): string => $item->choice->rung->category->value, $draft->items());
            foreach (array_unique($codes) as $code) {
                $times[$code] = ($times[$code] ?? 0) + 1;
            }
        }

        return $times;
    }
}
