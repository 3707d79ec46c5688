<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Planning\Order\DraftItem;

/**
 * In a circuit that leaves minutes unused and has no room for one round more of all: fewer stations, and the round.
 */
final class FewerStations
{
    /** @param  int  $mostRounds  of the goal */
    public static function of(SessionDraft $draft, int $mostRounds): SessionDraft
    {
        $rounds = $draft->items()[0]->dose->sets ?? 0;
        if (! $draft->doses->circuit || ! $draft->doses->slot->mayBeHard || $rounds >= $mostRounds || $draft->isUsed()) {
            return $draft;
        }
        $fewer = $draft;
        while (($spare = self::spare($fewer->items())) !== null) {
            $fewer = $fewer->changed(static fn (DraftItem $item): ?DraftItem => $item === $spare ? null : $item);
            $more = clone $fewer;
            if ($more->addSet(0)) {
                return $more->total()->isLongerThan($draft->total()) ? $more : $draft;
            }
        }

        return $draft;
    }

    /**
     * @param  list<DraftItem>  $items
     * @return ?DraftItem the last that is no direction, else the last of a direction that has another
     */
    private static function spare(array $items): ?DraftItem
    {
        $times = array_count_values(array_map(static fn (DraftItem $item): string => $item->choice->rung->category->value, $items));
        $beside = array_filter($items, static fn (DraftItem $item): bool => ! $item->choice->rung->category->isDirection());
        $twice = array_filter($items, static fn (DraftItem $item): bool => $times[$item->choice->rung->category->value] > 1);
        $spare = array_values($beside === [] ? $twice : $beside);

        return $spare[count($spare) - 1] ?? null;
    }
}
