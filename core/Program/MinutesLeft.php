<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Time\Seconds;

/**
 * A session brought into the minutes that are really left, with what is given used: after the cuts of {@see Fit}, what was cut comes back
 * where it still fits, the dearest first, and where less than 85 % of the minutes are used, one set is given for another (house rules).
 *
 * What is left is written as how many sets of every exercise, or rounds of every circuit, remain of those that were planned.
 */
final class MinutesLeft
{
    /** Of the minutes that are left, at least so much is used where something was cut. */
    public const USED_PERCENT = 85;

    /** @var array<string, int> sets by place in the session, "entry 0 1"; rounds of a circuit, "block 0" */
    private readonly array $planned;

    public function __construct(private readonly Session $session, private readonly Library $library)
    {
        $planned = [];
        foreach ($session->blocks as $b => $block) {
            if ($block instanceof CircuitBlock || $block instanceof RestBlock) {
                $planned["block {$b}"] = $block instanceof CircuitBlock ? $block->rounds : 1;
            }
            foreach ($block->entries() as $e => $entry) {
                $planned["entry {$b} {$e}"] = $block instanceof CircuitBlock ? 1 : $entry->dose->sets;
            }
        }
        $this->planned = $planned;
    }

    /** @return ?Session null where even the shortest of its exercises takes longer */
    public function into(Seconds $budget): ?Session
    {
        return ShorterPreparation::of($this->session, $budget, $this->library, static fn (Session $session, Library $library): ?Session => (
            new self($session, $library)
        )->exercisesInto($budget));
    }

    private function exercisesInto(Seconds $budget): ?Session
    {
        $left = $this->cut($budget);
        if ($left === null) {
            return null;
        }
        for ($left = $this->filled(
            $left,
            $budget,
        ), $try = 0; $try < 30 && 100 * $this->total($left) < self::USED_PERCENT * $budget->ms && $left !== $this->planned; $try++) {
            $better = $this->exchanged($left, $budget);
            if ($better === null) {
                break;
            }
            $left = $this->filled($better, $budget);
        }

        return $this->built($left);
    }

    /** @return array<string, int>|null */
    private function cut(Seconds $budget): ?array
    {
        $left = $this->planned;
        while ($this->total($left) > $budget->ms) {
            $best = null;
            foreach ($this->fewer($left) as $key) {
                $less = $this->less($left, $key);
                $cost = [$this->price($left, $key), $this->total($less)];
                if ($this->entriesIn($less) > 0 && ($best === null || $cost < $best[0])) {
                    $best = [$cost, $less];
                }
            }
            if ($best === null) {
                return null;
            }
            $left = $best[1];
        }

        return $left;
    }

    /**
     * @param  array<string, int>  $left
     * @return array<string, int> with everything back that fits, the dearest first, of one price the longest
     */
    private function filled(array $left, Seconds $budget): array
    {
        do {
            $best = null;
            foreach ($this->more($left) as $key) {
                $more = [...$left, $key => $left[$key] + 1];
                $gain = [$this->price($more, $key), $this->total($more)];
                if ($gain[1] <= $budget->ms && ($best === null || $gain > $best[0])) {
                    $best = [$gain, $more];
                }
            }
            $left = $best[1] ?? $left;
        } while ($best !== null);

        return $left;
    }

    /**
     * One set given for another, so that more of the minutes is used and no direction goes.
     *
     * @param  array<string, int>  $left
     * @return array<string, int>|null null where no exchange helps
     */
    private function exchanged(array $left, Seconds $budget): ?array
    {
        $best = null;
        $directions = count($this->directions($left));
        foreach ($this->fewer($left) as $out) {
            $less = $this->less($left, $out);
            foreach ($this->more($less) as $in) {
                if ($in === $out) {
                    continue;
                }
                $other = [...$less, $in => $less[$in] + 1];
                $total = $this->total($other);
                if ($total <= $budget->ms && $total > $this->total($best ?? $left) && count($this->directions($other)) >= $directions) {
                    $best = $other;
                }
            }
        }

        return $best;
    }

    /**
     * @param  array<string, int>  $left
     * @return list<string> what can be one less
     */
    private function fewer(array $left): array
    {
        return array_values(array_filter(array_keys($left), fn (string $key): bool => $left[$key] > ($this->isCircuit($key) ? 1 : 0)));
    }

    /**
     * @param  array<string, int>  $left
     * @return list<string> what can be one more
     */
    private function more(array $left): array
    {
        return array_values(array_filter(array_keys($left), fn (string $key): bool => $left[$key] < $this->planned[$key]));
    }

    /**
     * @param  array<string, int>  $left
     * @return array<string, int>
     */
    private function less(array $left, string $key): array
    {
        return [...$left, $key => $left[$key] - 1];
    }

    private static function isBlock(string $key): bool
    {
        return str_starts_with($key, 'block');
    }

    private function isCircuit(string $key): bool
    {
        return self::isBlock($key) && $this->session->blocks[(int) explode(' ', $key)[1]] instanceof CircuitBlock;
    }

    /**
     * What one set, round or rest is worth where it stands last: as in {@see Fit}, the least goes first.
     *
     * @param  array<string, int>  $left
     */
    private function price(array $left, string $key): int
    {
        if (self::isBlock($key)) {
            return $this->isCircuit($key) ? ($left[$key] > 2 ? 2 : 5) : 1;
        }
        $entry = $this->entryAt($key);
        $category = $this->library->find($entry->exercise)?->category;
        if (ExtraSet::side($entry) !== null) {
            return 2;
        }
        if ($left[$key] > 1) {
            return $left[$key] > 2 ? 2 : 5;
        }

        return $category === null || ! $category->isDirection() ? 3 : (($this->directions($left)[$category->value] ?? 0) > 1 ? 4 : 6);
    }

    private function entryAt(string $key): Entry
    {
        [, $block, $entry] = array_map(intval(...), explode(' ', $key));

        return $this->session->blocks[$block]->entries()[$entry];
    }

    /**
     * @param  array<string, int>  $left
     * @return array<string, int> exercises by code of their direction
     */
    private function directions(array $left): array
    {
        $count = [];
        foreach ($left as $key => $sets) {
            $category = ! self::isBlock($key) && $sets > 0 && ExtraSet::side($this->entryAt($key)) === null
                ? $this->library->find($this->entryAt($key)->exercise)?->category
                : null;
            if ($category instanceof Category && $category->isDirection()) {
                $count[$category->value] = ($count[$category->value] ?? 0) + 1;
            }
        }

        return $count;
    }

    /** @param  array<string, int>  $left */
    private function entriesIn(array $left): int
    {
        return count(
            array_filter($left, static fn (int $sets, string $key): bool => $sets > 0 && ! self::isBlock($key), ARRAY_FILTER_USE_BOTH),
        );
    }

    /** @param  array<string, int>  $left */
    private function total(array $left): int
    {
        return SessionTime::total($this->built($left), $this->library)->ms;
    }

    /** @param  array<string, int>  $left */
    private function built(array $left): Session
    {
        $blocks = [];
        foreach ($this->session->blocks as $b => $block) {
            if ($block instanceof RestBlock) {
                $blocks = $left["block {$b}"] > 0 ? [...$blocks, $block] : $blocks;

                continue;
            }
            $entries = [];
            foreach ($block->entries() as $e => $entry) {
                $sets = $left["entry {$b} {$e}"];
                if ($sets > 0) {
                    $entries[] = $block instanceof CircuitBlock ? $entry : $entry->withDose($entry->dose->withSets($sets));
                }
            }
            if ($entries !== []) {
                $blocks[] = $block instanceof CircuitBlock ? new CircuitBlock(
                    $entries,
                    $left["block {$b}"],
                    $block->roundRest,
                    $block->restAfter(),
                ) : $block->withEntries($entries);
            }
        }

        return ExtraSet::withoutOrphans($this->session->withBlocks($blocks));
    }
}
