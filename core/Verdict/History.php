<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

use DateTimeImmutable;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Rung;

/**
 * What was logged on one ladder, oldest session first, for somebody who stands on a rung.
 */
final class History
{
    /** Days before the newest log that verdicts look back on; a ladder that nobody trained in them is out of use (house rule). */
    public const LOOK_BACK_DAYS = 120;

    public readonly int $step;

    public readonly ?DateTimeImmutable $asOf;

    /**
     * @param  ?int  $step  of the rung's dose; null takes the last step whose target is at most the latest target
     * @param  ?DateTimeImmutable  $arrived  the day the client came to the rung
     * @param  ?DateTimeImmutable  $asOf  the day of the verdict; null takes that of the last session
     * @param  list<LoggedSession>  $sessions
     */
    public function __construct(
        public readonly Ladder $ladder,
        public readonly Rung $rung,
        ?int $step,
        public readonly ?DateTimeImmutable $arrived,
        ?DateTimeImmutable $asOf,
        public readonly array $sessions,
    ) {
        $last = $sessions === [] ? null : $sessions[count($sessions) - 1];
        $this->asOf = $asOf ?? $last?->date;
        $this->step = min($step ?? $this->inferred($last), count($rung->steps) - 1);
    }

    private function inferred(?LoggedSession $last): int
    {
        $target = $last === null || $last->sets === [] ? 0 : max(array_map(static fn (LoggedSet $set): int|float => $set->target, $last->sets));
        $step = 0;
        foreach ($this->rung->steps as $i => $dose) {
            $step = $dose->measure->amount() <= $target ? $i : $step;
        }

        return $step;
    }

    public function last(): ?LoggedSession
    {
        return $this->sessions === [] ? null : $this->sessions[count($this->sessions) - 1];
    }

    public function beforeLast(): ?LoggedSession
    {
        return $this->sessions[count($this->sessions) - 2] ?? null;
    }

    /** Where the rung stands on its ladder, from 0. */
    public function index(): int
    {
        return $this->ladder->indexOf($this->rung->id) ?? 0;
    }

    public function isTop(): bool
    {
        return $this->index() === count($this->ladder->rungs) - 1;
    }

    public function isLastStep(): bool
    {
        return $this->step === count($this->rung->steps) - 1;
    }
}
