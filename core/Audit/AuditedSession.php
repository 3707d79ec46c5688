<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;

/**
 * A session of a program with its time, the sets and the work of each category, and whether it is hard.
 */
final class AuditedSession
{
    /** @var array<string, int> sets by category code */
    public readonly array $sets;

    /**
     * @param  list<AuditedEntry>  $entries
     * @param  array{int, int}  $place  week and session, from 0
     */
    public function __construct(
        public readonly Session $session,
        public readonly SessionTime $time,
        public readonly array $entries,
        public readonly array $place,
        private readonly Numbers $numbers,
    ) {
        $sets = [];
        foreach ($entries as $entry) {
            if ($entry->rung !== null) {
                $code = $entry->rung->category->value;
                $sets[$code] = ($sets[$code] ?? 0) + $entry->sets;
            }
        }
        $this->sets = $sets;
    }

    public function where(): string
    {
        return sprintf('/weeks/%d/sessions/%d', ...$this->place);
    }

    /** Sets in the four directions together. */
    public function directionSets(): int
    {
        return array_sum(array_map(fn (Category $each): int => $this->sets[$each->value] ?? 0, Category::directions()));
    }

    /** Milliseconds of work in the four directions together. */
    public function directionMs(): int
    {
        return array_sum(array_map(fn (Category $each): int => $this->time->tensionMs[$each->value] ?? 0, Category::directions()));
    }

    public function isHard(): bool
    {
        return $this->session->kind !== Kind::Activation
            && ($this->directionSets() >= $this->numbers->hardSets || $this->directionMs() >= $this->numbers->hardTension->ms);
    }

    /** At most one set of an exercise, no long hold, little work. */
    public function isSwitchOn(): bool
    {
        foreach ($this->entries as $entry) {
            if ($entry->sets > 1 || $entry->entry->dose->measure->longestHold()->isLongerThan($this->numbers->switchOnHold)) {
                return false;
            }
        }

        return $this->time->time->workMs <= $this->numbers->switchOnTension->ms;
    }

    public function trains(Category $category): bool
    {
        return isset($this->sets[$category->value]);
    }
}
