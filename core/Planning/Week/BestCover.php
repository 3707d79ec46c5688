<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Program\Kind;

/**
 * The most directions that the sessions of a week can train at all, with one set of one exercise each: every way to fill each session is
 * looked at, and one of each taken so that together they train the most.
 */
final class BestCover
{
    /** Exercises of a direction that are tried. */
    private const CHOICES = 2;

    /**
     * @param  list<SessionDraft>  $drafts
     * @param  list<array<string, list<ExerciseChoice>>>  $choices  of each session, by category
     * @param  list<int>  $most  exercises of each session, at most
     * @return list<SessionDraft> a week that trains the most directions; of the ways that do, the sessions train as many each as they can
     */
    public static function of(array $drafts, array $choices, array $most): array
    {
        /** @var array<int, list<SessionDraft>> $best by the directions that are trained, as bits */
        $best = [0 => []];
        foreach ($drafts as $place => $draft) {
            $ways = $draft->doses->slot->kind === Kind::Activation ? [0 => $draft] : self::ways($draft, $choices[$place], $most[$place]);
            $next = [];
            foreach ($best as $trained => $before) {
                foreach ($ways as $mask => $way) {
                    $next[$trained | $mask] ??= [...$before, $way];
                }
            }
            $best = $next;
        }
        uksort($best, static fn (int $a, int $b): int => self::count($b) <=> self::count($a));

        return $best[array_key_first($best)] ?? $drafts;
    }

    private static function count(int $mask): int
    {
        return substr_count(decbin($mask), '1');
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices  by category
     * @return array<int, SessionDraft> by the directions that are trained, as bits
     */
    private static function ways(SessionDraft $draft, array $choices, int $most): array
    {
        $ways = [0 => $draft->changed(static fn (): null => null)];
        foreach (Category::directions() as $bit => $direction) {
            foreach ($ways as $mask => $way) {
                foreach (count($way->items()) >= $most ? [] : array_slice($choices[$direction->value], 0, self::CHOICES) as $choice) {
                    $with = $way->changed(static fn ($item) => $item, $draft->doses->of($choice, 1));
                    $to = $mask | (1 << $bit);
                    if ($with->isAllowed() && (! isset($ways[$to]) || $ways[$to]->total()->isLongerThan($with->total()))) {
                        $ways[$to] = $with;
                    }
                }
            }
        }

        $ways[self::trained($draft)] = $draft;
        uksort($ways, static fn (int $a, int $b): int => self::count($b) <=> self::count($a));
        if (count($ways) > 1) {
            unset($ways[0]);
        }

        return $ways;
    }

    /** The directions that a session trains, as bits. */
    private static function trained(SessionDraft $draft): int
    {
        $mask = 0;
        foreach (Category::directions() as $bit => $direction) {
            foreach ($draft->items() as $item) {
                $mask |= $item->choice->rung->category === $direction ? 1 << $bit : 0;
            }
        }

        return $mask;
    }
}
