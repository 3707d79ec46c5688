<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

use DateTimeImmutable;
use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Unit;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Writing;

/**
 * Which sessions of one ladder count towards a step, and what keeps each of the others from it.
 */
final class Qualifying
{
    /** @var array<int, list<Miss>> by place of the session */
    private array $misses = [];

    /** @param  ?Client  $client  whose limits and age forbid monitored pain; null where nobody is meant */
    public function __construct(
        private readonly History $history,
        private readonly Library $library,
        private readonly Style $style,
        private readonly ?Client $client,
    ) {
    }

    /** The sessions that qualify one after the other up to the last; what nobody watched neither counts nor breaks the run. */
    public function cleanRunning(): int
    {
        $clean = 0;
        $after = null;
        for ($i = count($this->history->sessions) - 1; $i >= 0; $i--) {
            $session = $this->history->sessions[$i];
            if ($after !== null && History::days($session->date, $after->date) >= Rules\Layoff::DAYS) {
                break;
            }
            $after = $session;
            if (! $session->checked) {
                continue;
            }
            if (! $this->counts($session) || $this->misses($i) !== []) {
                break;
            }
            $clean++;
        }

        return $clean;
    }

    /** Whether a session was done since the client came to the rung, and since the last clearance of a stop. */
    private function counts(LoggedSession $session): bool
    {
        return ($this->history->arrived === null || $session->date >= $this->history->arrived)
            && (
                $this->history->cleared === null
                    || $session->date > $this->history->cleared
                    || ! $this->wasStoppedBefore($this->history->cleared)
            );
    }

    private function wasStoppedBefore(DateTimeImmutable $day): bool
    {
        return array_filter(
            $this->history->sessions,
            static fn (LoggedSession $session): bool => $session->mustStop() && $session->date < $day,
        ) !== [];
    }

    /** Whether pain up to 5 may count on a day: a monitored style, a clearance in force, an adult without a medical limit. */
    public function isMonitored(DateTimeImmutable $day): bool
    {
        return $this->style->monitorsPain
            && $this->history->isMonitoredOn($day)
            && ! ($this->client?->hasMedicalLimit() ?? false)
            && ! ($this->client !== null && Age::of($this->client)->isUnderAge());
    }

    /**
     * Whether the pain of a session may count all the same: monitored, no more than the session before, and the day after was not worse
     * than the time before.
     */
    public function isMonitoredPain(int $place): bool
    {
        $session = $this->history->sessions[$place];
        $before = $this->history->sessions[$place - 1] ?? null;

        return $this->isMonitored($session->date)
            && $before !== null
            && $session->worstPain() <= LoggedSession::STOP_OVER
            && $session->worstPain() <= $before->worstPain()
            && $session->painNextDay !== null && $session->painBefore !== null
            && $session->painNextDay <= $session->painBefore;
    }

    /** @return list<Miss> what keeps the session at a place of the history from qualifying */
    public function misses(int $place): array
    {
        return $this->misses[$place] ??= $this->found($place);
    }

    /** @return list<Miss> */
    private function found(int $place): array
    {
        $session = $this->history->sessions[$place];
        $before = $this->history->sessions[$place - 1] ?? null;
        $monitored = $this->isMonitoredPain($place);
        $most = $monitored ? LoggedSession::STOP_OVER : LoggedSession::MOST_PAIN;
        $found = [];
        if (! $session->checked) {
            $found[] = new Miss('nobody watched the form', 'A session in which you watch the form.');
        }
        if ($session->sets === []) {
            $found[] = new Miss('no set was logged', 'Its sets, logged.');
        }
        foreach ($session->sets as $set) {
            $found = [...$found, ...$this->missesOf($set, $most)];
        }
        $sides = array_filter(array_map(static fn (LoggedSet $set): ?string => $set->side, $session->sets));
        $named = array_unique(array_intersect(['left', 'right'], $sides));
        if (($this->history->rung->side === Side::Each && count($named) < 2 && ! in_array('both', $sides, true)) || count($named) === 1) {
            $found[] = new Miss('only one side was logged', 'Both sides, logged.');
        }
        foreach (['before it' => $session->painBefore, 'on the next day' => $session->painNextDay] as $when => $pain) {
            if (($pain ?? 0) > $most) {
                $found[] = new Miss(sprintf('pain was %d %s', $pain, $when), sprintf('Pain of %d or less.', $most));
            }
        }
        if ($before !== null && $session->worstPain() > $before->worstPain()) {
            $found[] = new Miss('pain was more than the session before', 'No more pain than the time before.');
        }
        foreach ($session->signs as $sign) {
            $found[] = new Miss(
                sprintf('there was a sign: %s', lcfirst($sign->label())),
                'A session without it, on the rung below where it comes again.',
            );
        }
        foreach ($session->unticked() as $tick) {
            $found[] = new Miss(sprintf('"%s" was not ticked', lcfirst($tick)), sprintf('"%s" ticked.', $tick));
        }
        if (($session->soreness ?? 0) >= LoggedSession::SORE_FROM) {
            $found[] = new Miss('the trunk was sore', sprintf('Soreness under %d.', LoggedSession::SORE_FROM));
        }
        $once = [];
        foreach ($found as $miss) {
            $once[$miss->what] = $miss;
        }

        return array_values($once);
    }

    /** @return list<Miss> */
    private function missesOf(LoggedSet $set, int $mostPain): array
    {
        $needed = $this->history->dose();
        $scale = $this->history->scale();
        $side = $set->side === null || $set->side === 'both' ? 'a set' : 'the '.$set->side.' side';
        if ($set->left) {
            return [new Miss('not all of its sets were begun', 'All of its sets.')];
        }

        return array_values(array_filter([
            $set->isShort() ? new Miss(sprintf('%s was short of its target', $side), $this->shortfall($set)) : null,
            $set->isShortOfRange($scale) ? new Miss(
                sprintf('%s did not go as far as it should', $side),
                'The range that was asked for, or a set planned at less.',
            ) : null,
            $set->asks($needed->measure) ? null : new Miss('it was done at an earlier step', 'A session at the step of today.'),
            $scale->perMille($set->targetRange) >= $scale->perMille($needed->range) ? null : new Miss(
                'it was done in less range than the step has',
                'A session in the range of the step.',
            ),
            $set->faults === null ? new Miss('faults were not recorded', 'Faults ticked, or "clean".') : null,
            $set->allFaults() === [] ? null : new Miss(
                sprintf('%s showed %s', $side, $this->named($set->allFaults())),
                sprintf('A session without %s.', $this->named($set->allFaults())),
            ),
            $set->cued === [] ? null : new Miss(
                sprintf('%s needed a cue for %s', $side, $this->named($set->cued)),
                'The same without the cue.',
            ),
            match ($set->breathing) {
                null => new Miss('breathing was not recorded', 'Breathing, ticked.'),
                false => new Miss('the breath was held', 'Breathing freely all through.'),
                true => null,
            },
            match (true) {
                $set->pain === null => new Miss('pain was not recorded', 'Pain asked and written, 0 too.'),
                $set->pain > $mostPain => new Miss(sprintf('pain was %d', $set->pain), sprintf('Pain of %d or less.', $mostPain)),
                default => null,
            },
            match (true) {
                $set->effort === null => new Miss('effort was not recorded', 'Effort asked and written.'),
                $set->effort > $this->style->mostEffort => new Miss(
                    sprintf('effort was %d', $set->effort),
                    sprintf('Effort of %d or less.', $this->style->mostEffort),
                ),
                default => null,
            },
            ...array_map(
                static fn (string $place): Miss => new Miss(
                    sprintf('it was felt in the %s: try less range or load', str_replace('-', ' ', $place)),
                    sprintf('Not felt in the %s.', str_replace('-', ' ', $place)),
                ),
                array_values(array_intersect(LoggedSet::WRONG_PLACES, $set->felt)),
            ),
        ]));
    }

    /** @param  list<string>  $faults */
    public function named(array $faults): string
    {
        return implode(', ', array_map(fn (string $fault): string => lcfirst($this->library->faults[$fault]->name ?? $fault), $faults));
    }

    private function shortfall(LoggedSet $set): string
    {
        $side = $set->side === null || $set->side === 'both' ? 'A set' : ucfirst($set->side).' side';
        $by = $set->target - $set->done;
        if ($by <= 0) {
            return sprintf('%s: each repetition held as long as it should.', $side);
        }
        if ($set->timed && $set->target <= 1) {
            return sprintf('%s: worked at for its time.', $side);
        }

        $unit = $set->timed ? Unit::Seconds : $this->history->rung->unit();
        $more = match ($unit) {
            Unit::Reps => $by == 1 ? '1 repetition' : $by.' repetitions',
            Unit::Metres => Writing::distance($by),
            Unit::Seconds => round($unit->shown($by), 1).' s'.($set->timed ? ' of work' : ''),
        };

        return sprintf('%s %s more.', $side, $more);
    }

    /**
     * Days on the rung that are still missing, counted from the first session where nobody knows when the client came; 0 where the style
     * asks for none.
     */
    public function daysMissing(): int
    {
        if ($this->style->daysOnRung === 0) {
            return 0;
        }
        $arrived = $this->history->arrived ?? ($this->history->sessions[0] ?? null)?->date;
        $days = $arrived === null || $this->history->asOf === null ? 0 : History::days($arrived, $this->history->asOf);

        return max(0, $this->style->daysOnRung - $days);
    }
}
