<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Ladder\Rung;

/**
 * What follows from a history, with the rule behind it and what would have changed it.
 */
final class Verdict
{
    /**
     * @param  string  $rule  id of the rule that fitted first
     * @param  ?Rung  $to  null where training on the ladder stops
     * @param  ?Dose  $dose  null where nothing is dosed today
     * @param  list<string>  $reasons
     * @param  list<string>  $wouldChange
     * @param  bool  $refer  a clinician comes first
     * @param  bool  $retest  the ladder is tested again
     * @param  ?Rung  $swap  what spares what hurt
     */
    public function __construct(
        public readonly Decision $decision,
        public readonly string $rule,
        public readonly ?Rung $to,
        public readonly int $step,
        public readonly ?Dose $dose,
        public readonly array $reasons,
        public readonly array $wouldChange = [],
        public readonly bool $refer = false,
        public readonly bool $retest = false,
        public readonly ?Rung $swap = null,
    ) {
    }
}
