<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * Finds rungs by what somebody types: while they type, by any of their names, the beginning of any word, in any order and with one
 * slip; and afterwards, where a name is not matched, those that share most words with it.
 */
final class Search
{
    /** Words that say nothing of the exercise. */
    private const SMALL = ['with', 'and', 'on', 'the', 'of', 'a', 'an', 'in', 'from', 'your'];

    private const MOST_SUGGESTED = 5;

    /** Before everything that only shares words. */
    private const MISSPELT = -1;

    /** Shorter words are matched only as they are typed. */
    private const SHORTEST_MISSPELT = 4;

    private const LONGEST_QUERY = 80;

    /** Among names that match alike, the one with the fewest other words goes first. */
    private const MOST_WORDS = 10;

    private const MISSPELT_WHOLE = 200;

    /** How far a word with a slip is. */
    private const SLIP = 5;

    /** Farther than any word that is meant. */
    private const FAR = 99;

    /** @var array<string, array<string, int>> how far words are from each other, for the name that is looked for */
    private array $far = [];

    public function __construct(private readonly Library $library)
    {
    }

    /**
     * @return list<Rung> best match first, then by level; everything for an empty query
     */
    public function find(string $query): array
    {
        $words = Name::words(mb_substr($query, 0, self::LONGEST_QUERY));
        if ($words === []) {
            return $this->library->rungs();
        }
        $typed = implode('', $words);
        $words = self::withoutSmall($words);
        $this->far = [];
        $cost = [];
        foreach ($this->library->names() as $id => $names) {
            $best = null;
            foreach ($names as $name) {
                $found = $this->cost($typed, $words, $name);
                $best = $found === null ? $best : min($found, $best ?? $found);
            }
            if ($best !== null) {
                $cost[$id] = $best;
            }
        }
        $rungs = array_map(fn (string $id): Rung => $this->library->rung($id), array_map(strval(...), array_keys($cost)));
        usort(
            $rungs,
            static fn (Rung $a, Rung $b): int => [$cost[$a->id], $a->level->value, $a->id] <=> [$cost[$b->id], $b->level->value, $b->id],
        );

        return $rungs;
    }

    /**
     * What a name may have meant that is not matched: where it is only misspelt those it may be, else the rungs that share most words
     * with it. Never taken silently.
     *
     * @return list<Rung> at most five; none where no word of it is known
     */
    public function suggestions(string $name): array
    {
        $all = Name::words(mb_substr($name, 0, self::LONGEST_QUERY));
        $words = self::withoutSmall($all);
        $this->far = [];
        $ranks = [];
        $isMisspelt = false;
        foreach ($this->library->names() as $id => $names) {
            foreach ($names as $known) {
                $rank = $this->rank(implode('', $all), $words, $known);
                if ($rank !== null && (! isset($ranks[$id]) || $rank < $ranks[$id])) {
                    $ranks[$id] = $rank;
                    $isMisspelt = $isMisspelt || $rank[0] === self::MISSPELT;
                }
            }
        }
        // what is only misspelt goes before all else, and what shares a word as it is typed before what only looks like one
        $isTyped = array_filter($ranks, static fn (array $rank): bool => $rank[3]);
        $ranks = array_filter($ranks, static fn (array $rank): bool => $isMisspelt
            ? $rank[0] === self::MISSPELT
            : $isTyped === [] || $rank[3]);
        $rungs = array_map(fn (string $id): Rung => $this->library->rung($id), array_map(strval(...), array_keys($ranks)));
        usort(
            $rungs,
            static fn (Rung $a, Rung $b): int => [$ranks[$a->id], $a->level->value, $a->id] <=> [$ranks[$b->id], $b->level->value, $b->id],
        );

        return array_slice($rungs, 0, self::MOST_SUGGESTED);
    }

    /**
     * @param  list<string>  $words  typed
     * @param  list<string>  $name  words of a name
     * @return array{int, int, int, bool}|null the words of both that have no counterpart, how far those are that have one, all of the name,
     *                                         and whether a word is shared as it is typed; null where it shares none
     */
    private function rank(string $typed, array $words, array $name): ?array
    {
        $key = implode('', $name);
        $wrong = $typed === '' ? 99 : levenshtein($typed, substr($key, 0, self::LONGEST_QUERY));
        if ($wrong <= max(1, intdiv(strlen($typed), 4))) {
            return [self::MISSPELT, $wrong, count($name), true];
        }
        $name = self::withoutSmall($name);
        $shared = $far = 0;
        $isTyped = false;
        foreach ($words as $word) {
            $nearest = $this->nearest($word, $name);
            $shared += $nearest === null ? 0 : 1;
            $far += $nearest ?? 0;
            $isTyped = $isTyped || ($nearest !== null && $nearest < self::SLIP);
        }

        return $shared === 0 ? null : [2 * (count($words) - $shared) + max(0, count($name) - $shared), $far, count($name), $isTyped];
    }

    /**
     * @param  list<string>  $words
     * @return list<string> all where there are none but small ones
     */
    private static function withoutSmall(array $words): array
    {
        $large = array_values(array_diff($words, self::SMALL));

        return $large === [] ? $words : $large;
    }

    /**
     * How far a name is from what was typed: 0 the same; null where it is not meant.
     *
     * @param  list<string>  $words  typed
     * @param  list<string>  $name  words of the name
     */
    private function cost(string $typed, array $words, array $name): ?int
    {
        $key = implode('', $name);
        if ($key === $typed) {
            return 0;
        }
        if (str_starts_with($key, $typed)) {
            return 1;
        }
        $sum = 2;
        foreach ($words as $word) {
            $nearest = $this->nearest($word, $name);
            if ($nearest === null) {
                $whole = abs(strlen($key) - strlen($typed)) <= 2 ? levenshtein($typed, $key) : 99;

                return $whole <= max(1, intdiv(strlen($typed), 5)) ? self::MISSPELT_WHOLE + $whole : null;
            }
            $sum += $nearest;
        }

        return $sum * self::MOST_WORDS + min(self::MOST_WORDS - 1, abs(count($name) - count($words)));
    }

    /**
     * @param  list<string>  $name
     * @return ?int how far the nearest word of a name is; null where none is near
     */
    private function nearest(string $word, array $name): ?int
    {
        $best = null;
        foreach ($name as $other) {
            // the same few words stand in many names
            $far = $this->far[$word][$other] ??= self::far($word, $other);
            if ($far < ($best ?? self::FAR)) {
                $best = $far;
            }
        }

        return $best;
    }

    /** How far a word is from another, 0 the same, 1 its beginning. */
    private static function far(string $word, string $other): int
    {
        $length = strlen($word);
        if (str_starts_with($other, $word)) {
            return $other === $word ? 0 : 1;
        }
        if ($length < self::SHORTEST_MISSPELT || strlen($other) < $length - 1) {
            return self::FAR;
        }
        $wrong = self::isSwapped($word, substr($other, 0, $length)) ? 1 : min(
            levenshtein($word, substr($other, 0, $length)),
            levenshtein($word, substr($other, 0, $length + 1)),
            levenshtein($word, substr($other, 0, $length - 1)),
        );

        return $wrong <= ($length >= 8 ? 2 : 1) ? self::SLIP * $wrong : self::FAR;
    }

    /** Whether two letters beside each other changed places. */
    private static function isSwapped(string $word, string $other): bool
    {
        for ($i = 0; $i + 1 < strlen($word) && $word[$i] === ($other[$i] ?? ''); $i++);

        return $i + 1 < strlen($word) && substr($word, 0, $i).$word[$i + 1].$word[$i].substr($word, $i + 2) === $other;
    }
}
