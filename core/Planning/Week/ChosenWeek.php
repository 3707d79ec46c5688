<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

/**
 * The best use of the days of a week, and what it still costs.
 */
final class ChosenWeek
{
    /**
     * @param  list<DayUse>  $uses  Monday first
     * @param  array<string, int>  $parts  the cost by cause
     * @param  list<string>  $givenUp  each wish that had to give, and why
     */
    public function __construct(
        public readonly array $uses,
        public readonly int $cost,
        public readonly array $parts,
        public readonly array $givenUp,
    ) {
    }
}
