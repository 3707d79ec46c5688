<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\Position;

/**
 * What follows from a history, with the rule behind it and what would have changed it.
 */
final class Verdict
{
    public const LADDER = 'ladder';

    public const ALL = 'all';

    /**
     * @param  string  $rule  id of the rule that fitted first
     * @param  ?Position  $to  null where training on the ladder stops
     * @param  ?Dose  $dose  null where nothing is dosed today
     * @param  list<string>  $reasons
     * @param  list<string>  $wouldChange
     * @param  bool  $refer  a clinician comes first
     * @param  bool  $retest  the ladder is tested again
     * @param  ?Rung  $swap  what spares what hurt
     * @param  self::LADDER|self::ALL  $scope  what a stop stops
     */
    public function __construct(
        public readonly Decision $decision,
        public readonly string $rule,
        public readonly ?Position $to,
        public readonly ?Dose $dose,
        public readonly array $reasons,
        public readonly array $wouldChange = [],
        public readonly bool $refer = false,
        public readonly bool $retest = false,
        public readonly ?Rung $swap = null,
        public readonly string $scope = self::LADDER,
    ) {
    }

    public function referring(): self
    {
        return new self(
            $this->decision,
            $this->rule,
            $this->to,
            $this->dose,
            $this->reasons,
            $this->wouldChange,
            true,
            $this->retest,
            $this->swap,
            $this->scope,
        );
    }
}
