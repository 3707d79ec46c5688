<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Ladder\LimitRule;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Severity;
use EvenRungs\Core\Time\Seconds;

/**
 * A limit that one client has.
 */
final class Limit
{
    public function __construct(
        public readonly LimitRule $rule,
        public readonly Severity $severity = Severity::Moderate,
    ) {
    }

    /**
     * @return list<Bar> why this limit bars the rung; empty when it does not
     */
    public function bars(Rung $rung): array
    {
        $bars = $this->barsGrades($rung->id, $rung->stresses);
        $flat = $this->rule->flatUnder;
        if (
            $bars === []
            && $flat !== null
            && array_filter($rung->steps, static fn (Dose $dose): bool => $rung->flatMs($dose) < $flat->ms) === []
        ) {
            $bars[] = new Bar($rung->id, $this->rule->id, 'supine', $rung->grade('supine'));
        }

        return $bars;
    }

    /**
     * @param  string  $of  id of what has the grades: a rung or a test
     * @param  array<string, int>  $grades  by stress
     * @return list<Bar>
     */
    public function barsGrades(string $of, array $grades): array
    {
        $bars = [];
        foreach ($this->rule->stresses as $stress) {
            $grade = $grades[$stress] ?? 0;
            if ($grade > 0 && $grade >= $this->rule->barsFrom($stress, $this->severity)) {
                $bars[] = new Bar($of, $this->rule->id, $stress, $grade);
            }
        }

        return $bars;
    }

    /**
     * The longest unbroken hold that limits allow, or null where none caps it.
     *
     * @param  list<self>  $limits
     */
    public static function holdCap(array $limits): ?Seconds
    {
        return self::least(array_map(static fn (self $limit): ?Seconds => $limit->rule->holdCap, $limits));
    }

    /**
     * Unbroken time flat on the back in a set stays under this; null where no limit says so.
     *
     * @param  list<self>  $limits
     */
    public static function flatUnder(array $limits): ?Seconds
    {
        return self::least(array_map(static fn (self $limit): ?Seconds => $limit->rule->flatUnder, $limits));
    }

    /** @param  list<?Seconds>  $times */
    private static function least(array $times): ?Seconds
    {
        $least = null;
        foreach ($times as $time) {
            $least = $time !== null && ($least === null || $least->isLongerThan($time)) ? $time : $least;
        }

        return $least;
    }
}
