<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * Finds rungs while a name is being typed: by any of their names, the beginning of any word, and with a wrong letter.
 */
final class Search
{
    /** Shorter words are matched only as they are typed. */
    private const SHORTEST_MISSPELT = 4;

    private const LONGEST_QUERY = 80;

    /** Among names that match alike, the one with the fewest other words goes first. */
    private const MOST_WORDS = 10;

    private const MISSPELT_WHOLE = 200;

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
     */
    private function nearest(string $word, array $name): ?int
    {
        $length = strlen($word);
        $best = null;
        foreach ($name as $other) {
            if (str_starts_with($other, $word)) {
                return $other === $word ? 0 : 1;
            }
            if ($length >= self::SHORTEST_MISSPELT && strlen($other) >= $length - 1) {
                $wrong = min(
                    levenshtein($word, substr($other, 0, $length)),
                    levenshtein($word, substr($other, 0, $length + 1)),
                    levenshtein($word, substr($other, 0, $length - 1)),
                );
                if ($wrong <= ($length >= 8 ? 2 : 1)) {
                    $best = min(5 * $wrong, $best ?? 99);
                }
            }
        }

        return $best;
    }
}
