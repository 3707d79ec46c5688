<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\WhyNot;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Style\Style;

/**
 * Why a plan does not hold an exercise: as few reasons as there are, each of which keeps it out on its own while the others are lifted.
 */
final class WhyNotAnswer
{
    /**
     * @param  list<string>  $where  JSON pointers of the sessions that hold it
     * @param  list<Lift>  $reasons
     * @param  list<string>  $wouldChange  what the plan would be with all of them lifted, in words
     */
    public function __construct(
        public readonly Rung $rung,
        public readonly Client $client,
        public readonly Style $style,
        public readonly array $where,
        public readonly array $reasons,
        public readonly array $wouldChange,
    ) {
    }

    public function inPlan(): bool
    {
        return $this->where !== [];
    }
}
