<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Progress;

use EvenRungs\Core\Dose\Unit;
use EvenRungs\Core\Ladder\RangeScale;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Review\Evenness\SideIndex;

/**
 * What one session asked of a rung and what was done, all its sets together, in the unit of the rung as it is kept: repetitions, metres,
 * or milliseconds. Of a time of work of a rung that is counted nobody has a number, so a session with one says nothing.
 */
final class RungSession
{
    /**
     * @param  ?array{int|float, int|float}  $sides  left and right, in as many sets as both have; null where one was not begun
     * @param  bool  $clean  watched, whole, without a fault, breathing, without pain that counts
     */
    private function __construct(
        public readonly Rung $rung,
        public readonly string $on,
        public readonly int $sets,
        public readonly int|float $asked,
        public readonly int|float $done,
        public readonly ?array $sides,
        public readonly bool $clean,
    ) {
    }

    /** Null where nothing was begun, or nothing was counted. */
    public static function of(Rung $rung, LoggedSession $session): ?self
    {
        $counted = array_filter($session->sets, static fn (LoggedSet $set): bool => ! $set->left);
        $done = array_sum(array_map(static fn (LoggedSet $set): int|float => $set->done, $counted));
        $uncounted = array_filter($counted, static fn (LoggedSet $set): bool => $set->timed && $rung->unit() !== Unit::Seconds);
        if ($done <= 0 || $uncounted !== []) {
            return null;
        }
        $of = static fn (string $side): array => array_values(
            array_map(
                static fn (LoggedSet $set): int|float => $set->done,
                array_filter($counted, static fn (LoggedSet $set): bool => $set->side === $side),
            ),
        );

        return new self(
            $rung,
            $session->date->format('Y-m-d'),
            count(array_filter($counted, static fn (LoggedSet $set): bool => $set->side !== 'right')),
            array_sum(array_map(static fn (LoggedSet $set): int|float => $set->target, $counted)),
            $done,
            SideIndex::reading($of('left'), $of('right')),
            $session->isClean($rung->range ?? RangeScale::share()),
        );
    }

    /** The weaker side in per cent of the stronger; null where both were not done. */
    public function percent(): ?float
    {
        return $this->sides === null ? null : SideIndex::of([$this->sides])->percent;
    }
}
