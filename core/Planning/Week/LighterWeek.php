<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Time\Seconds;

/**
 * A lighter week: the exercises and doses of the week before it with a set less each, and so much less in all that the work is four fifths
 * at most (house rule).
 */
final class LighterWeek
{
    public const MOST_PERCENT = 80;

    /** @return array{DraftedWeek, string} the week, and what was done, in words */
    public static function of(DraftedWeek $before): array
    {
        $light = $before->with(
            array_map(
                static fn (SessionDraft $draft): SessionDraft => $draft->changed(
                    static fn (DraftItem $item): DraftItem => $item->withSets(max(1, $item->dose->sets - 1)),
                ),
                $before->drafts,
            ),
        );
        while (100 * $light->workMs() > self::MOST_PERCENT * $before->workMs()) {
            $less = self::oneSetLess($light) ?? self::oneExerciseLess($light);
            if ($less === null) {
                break;
            }
            $light = $less;
        }

        return [$light, self::told($before, $light)];
    }

    private static function oneSetLess(DraftedWeek $week): ?DraftedWeek
    {
        $most = 1;
        $found = null;
        foreach ($week->drafts as $d => $draft) {
            foreach ($draft->items() as $item) {
                if ($item->dose->sets > $most) {
                    [$most, $found] = [$item->dose->sets, [$d, $item]];
                }
            }
        }
        if ($found === null) {
            return null;
        }
        [$d, $most] = $found;

        return self::replacing($week, $d, static fn (DraftItem $item): DraftItem => $item === $most || $week->drafts[$d]->doses->circuit
            ? $item->withSets($item->dose->sets - 1)
            : $item);
    }

    /** What is no direction goes first, then what trains a direction that the week trains more often elsewhere. */
    private static function oneExerciseLess(DraftedWeek $week): ?DraftedWeek
    {
        $found = null;
        $covered = $week->covered();
        foreach ($week->drafts as $d => $draft) {
            foreach ($draft->items() as $item) {
                $category = $item->choice->rung->category;
                $times = $category->isDirection() ? $covered[$category->value] : PHP_INT_MAX;
                $rank = [$times, $item->dose->tension()->ms];
                if (count($draft->items()) > 1 && self::isSpare($category, $draft, $times) && ($found === null || $rank > $found[0])) {
                    $found = [$rank, $d, $item];
                }
            }
        }

        return $found === null ? null : self::replacing(
            $week,
            $found[1],
            static fn (DraftItem $item): ?DraftItem => $item === $found[2] ? null : $item,
        );
    }

    private static function isSpare(Category $category, SessionDraft $draft, int $times): bool
    {
        $same = array_filter($draft->items(), static fn (DraftItem $item): bool => $item->choice->rung->category === $category);

        return count($same) > 1 || $times > 1;
    }

    /** @param  callable(DraftItem): ?DraftItem  $change */
    private static function replacing(DraftedWeek $week, int $place, callable $change): DraftedWeek
    {
        $drafts = $week->drafts;
        $drafts[$place] = $drafts[$place]->changed($change);

        return $week->with(array_values($drafts));
    }

    private static function told(DraftedWeek $before, DraftedWeek $light): string
    {
        $count = static fn (DraftedWeek $week): int => array_sum(
            array_map(static fn (SessionDraft $draft): int => count($draft->items()), $week->drafts),
        );
        $fewer = $count($before) - $count($light);

        return sprintf(
            'A lighter week: %d sets in the four directions instead of %d, %s of work instead of %s. %s stay as they were, no step up.',
            $light->directionSets(),
            $before->directionSets(),
            Seconds::ofMs($light->workMs())->toClock(),
            Seconds::ofMs($before->workMs())->toClock(),
            $fewer === 0 ? 'Exercises and doses' : sprintf('%d exercise%s less; the others', $fewer, $fewer === 1 ? '' : 's'),
        );
    }
}
