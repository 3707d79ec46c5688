<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

use EvenRungs\Core\Client\OtherTraining;
use EvenRungs\Core\Client\TrainingType;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Time\Weekday;

/**
 * A week of a program as an audit sees it.
 */
final class AuditedWeek
{
    /**
     * @param  int  $place  in the program, from 0
     * @param  int  $number  as written, 1 is the first
     * @param  list<AuditedSession>  $sessions
     * @param  list<OtherTraining>  $otherTraining
     */
    public function __construct(
        public readonly int $place,
        public readonly int $number,
        public readonly array $sessions,
        public readonly array $otherTraining,
    ) {
    }

    public function where(): string
    {
        return '/weeks/'.$this->place;
    }

    /** @return list<AuditedSession> those that count for coverage: a switch-on does not */
    public function counted(): array
    {
        return array_values(
            array_filter($this->sessions, static fn (AuditedSession $each): bool => $each->session->kind !== Kind::Activation),
        );
    }

    /** Sessions that train a direction. */
    public function times(Category $category): int
    {
        return count(array_filter($this->counted(), static fn (AuditedSession $each): bool => $each->trains($category)));
    }

    public function sets(Category $category): int
    {
        return array_sum(array_map(static fn (AuditedSession $each): int => $each->sets[$category->value] ?? 0, $this->sessions));
    }

    /** Milliseconds of work. */
    public function ms(Category $category): int
    {
        return array_sum(
            array_map(static fn (AuditedSession $each): int => $each->time->tensionMs[$category->value] ?? 0, $this->sessions),
        );
    }

    public function directionSets(): int
    {
        return array_sum(array_map(static fn (AuditedSession $each): int => $each->directionSets(), $this->sessions));
    }

    public function liftsHeavyOn(Weekday $day): bool
    {
        foreach ($this->otherTraining as $other) {
            if ($other->day === $day && $other->type === TrainingType::HeavyLift) {
                return true;
            }
        }

        return false;
    }

    /** @return list<AuditedEntry> */
    public function entries(): array
    {
        return array_merge([], ...array_map(static fn (AuditedSession $each): array => $each->entries, $this->sessions));
    }
}
