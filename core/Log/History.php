<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

use DateTimeImmutable;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\RangeScale;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Steps;

/**
 * What was logged on one ladder, oldest session first, for somebody who stands on a rung. Sessions of one day are one; a session of
 * which nothing was done and nothing said is none.
 */
final class History
{
    /** Days before the newest log that verdicts look back on; a ladder that nobody trained in them is out of use (house rule). */
    public const LOOK_BACK_DAYS = 120;

    public readonly int $step;

    /** Done at now, where that is less than the step's own. */
    public readonly ?Range $range;

    public readonly ?DateTimeImmutable $asOf;

    /** @var list<LoggedSession> */
    public readonly array $sessions;

    /**
     * @param  ?int  $step  of the rung's steps for the client; null takes the last step whose target is at most the latest target
     * @param  ?DateTimeImmutable  $arrived  the day the client came to the rung
     * @param  ?DateTimeImmutable  $asOf  the day of the verdict; null takes that of the last session
     * @param  list<LoggedSession>  $sessions  oldest first
     * @param  ?Range  $range  done at now
     * @param  ?DateTimeImmutable  $cleared  the day of the newest clearance of a stop
     * @param  array{DateTimeImmutable, ?DateTimeImmutable}|null  $monitored  from when, and until when, pain may be monitored
     * @param  ?DateTimeImmutable  $trainedOn  the last day of any core session
     */
    public function __construct(
        public readonly Ladder $ladder,
        public readonly Rung $rung,
        ?int $step,
        public readonly ?DateTimeImmutable $arrived,
        ?DateTimeImmutable $asOf,
        array $sessions,
        private readonly Steps $steps,
        ?Range $range = null,
        public readonly ?DateTimeImmutable $cleared = null,
        public readonly ?array $monitored = null,
        public readonly ?DateTimeImmutable $trainedOn = null,
    ) {
        $byDay = [];
        foreach ($sessions as $session) {
            if ($session->isReported()) {
                $day = $session->date->format('Y-m-d');
                $byDay[$day] = isset($byDay[$day]) ? $byDay[$day]->with($session) : $session;
            }
        }
        $this->sessions = array_values($byDay);
        $this->asOf = $asOf ?? $this->last()?->date;
        [$this->step, $this->range] = $this->steps->settle($rung, $step ?? $this->inferred(), $range);
    }

    private function inferred(): int
    {
        $step = 0;
        $sets = $this->last()->sets ?? [];
        foreach ($this->steps->of($this->rung) as $i => $dose) {
            $reached = array_filter(
                $sets,
                fn (LoggedSet $set): bool => ! $set->timed
                    && $set->asks($dose->measure)
                    && $this->scale()->perMille($set->targetRange) >= $this->scale()->perMille($dose->range),
            );
            $step = $reached !== [] ? $i : $step;
        }

        return $step;
    }

    public function scale(): RangeScale
    {
        return $this->rung->range ?? RangeScale::share();
    }

    /** What a set must ask to count here: the measure of the step, and the range it is done at now. */
    public function dose(): Dose
    {
        return $this->steps->dose($this->rung, $this->step, $this->range);
    }

    public function position(): Position
    {
        return new Position($this->rung, $this->step, $this->range);
    }

    public function last(): ?LoggedSession
    {
        return $this->sessions === [] ? null : $this->sessions[count($this->sessions) - 1];
    }

    public function beforeLast(): ?LoggedSession
    {
        return $this->sessions[count($this->sessions) - 2] ?? null;
    }

    /** @return list<LoggedSession> those in which somebody watched the form, since the client came to the rung */
    public function watched(): array
    {
        return array_values(
            array_filter(
                $this->sessions,
                fn (LoggedSession $session): bool => $session->checked && ($this->arrived === null || $session->date >= $this->arrived),
            ),
        );
    }

    /** On the last step of the top rung, in full range. */
    public function isAtTop(): bool
    {
        return $this->index() === count($this->ladder->rungs) - 1 && $this->steps->further($this->rung, $this->step, $this->range) === null;
    }

    /** Where the rung stands on its ladder, from 0. */
    public function index(): int
    {
        return $this->ladder->indexOf($this->rung->id) ?? 0;
    }

    public function isMonitoredOn(DateTimeImmutable $day): bool
    {
        return $this->monitored !== null && $this->monitored[0] <= $day && ($this->monitored[1] === null || $day <= $this->monitored[1]);
    }

    public static function days(DateTimeImmutable $from, DateTimeImmutable $to): int
    {
        return (int) $from->diff($to)->format('%r%a');
    }
}
