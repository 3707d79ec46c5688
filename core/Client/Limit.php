<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Ladder\LimitRule;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Severity;

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
}
