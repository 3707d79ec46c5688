<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

use DateTimeImmutable;
use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Alternatives;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Writing;
use LogicException;

/**
 * What the rules look at: the history of one ladder, the steps of the client in the style, where the ladder leads up and down, and which
 * sessions count.
 */
final class Matter
{
    /** @var array<int, list<Miss>> by place of the session */
    private array $misses = [];

    /** @param  ?Client  $client  whose limits, kit, gates and age bar rungs; null where nobody is meant */
    public function __construct(
        public readonly History $history,
        public readonly Library $library,
        public readonly Style $style,
        public readonly Steps $steps,
        private readonly Moves $moves,
        public readonly ?Client $client,
    ) {
    }

    public function last(): LoggedSession
    {
        return $this->history->last() ?? throw new LogicException('nothing was logged');
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

        return sprintf('%s %s more.', $side, $set->timed ? round(
            $by / 1000,
            1,
        ).' s of work' : match ($this->history->rung->start()->measure->kind()) {
            MeasureKind::Reps => $by == 1 ? '1 repetition' : $by.' repetitions',
            MeasureKind::Distance => Writing::distance($by),
            default => round($by / 1000, 1).' s',
        });
    }

    public function needed(int $clean): string
    {
        $left = max(1, $this->style->cleanSessions - $clean);

        return sprintf(
            '%s clean session%s at %s.',
            $left === 1 ? 'One more' : $left.' more',
            $left === 1 ? '' : 's',
            $this->history->rung->name,
        );
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

    /** The rung that follows the last step: the nearest that is allowed. */
    public function above(): ?Rung
    {
        if ($this->client !== null) {
            return $this->moves->next($this->history->rung, $this->client);
        }

        return $this->meant($this->history->ladder->above($this->history->rung))[0] ?? null;
    }

    /** @param  int  $rungs  how many allowed rungs down */
    public function below(int $rungs): ?Rung
    {
        $rung = $this->history->rung;
        for (; $rungs > 0; $rungs--) {
            $next = $this->client !== null
                ? $this->moves->down($rung, $this->client)
                : $this->meant(array_slice($this->history->ladder->downFrom($rung), 1))[0] ?? null;
            if ($next === null) {
                break;
            }
            $rung = $next;
        }

        return $rung === $this->history->rung ? null : $rung;
    }

    /**
     * @param  list<Rung>  $rungs
     * @return list<Rung>
     */
    private function meant(array $rungs): array
    {
        return array_values(array_filter($rungs, $this->moves->isMeant(...)));
    }

    /** Whether a rung below was ever shown clean, as far as anybody knows; where nobody is meant, it was climbed. */
    private function wasShown(Rung $rung): bool
    {
        return $this->client === null || $this->client->hasShown($rung, $this->library);
    }

    /**
     * One rung down, or two: onto its last step after faults, its first after pain, a layoff or a clearance, or where it was never shown.
     * Where nothing below is allowed, the start of its own rung at the least range.
     */
    public function lower(int $rungs, bool $lastStep): Position
    {
        $below = $this->below($rungs);
        if ($below === null) {
            return new Position($this->history->rung, 0, $this->steps->least($this->history->rung));
        }

        return new Position($below, $lastStep && $this->wasShown($below) ? $this->steps->last($below) : 0);
    }

    /** What spares what hurt: the best swap on another ladder. */
    public function swap(): ?Rung
    {
        $rung = $this->history->rung;
        if ($this->client === null) {
            foreach ((new Alternatives($this->library))->easier($rung) as $other) {
                if ($other->ladder !== $rung->ladder) {
                    return $other;
                }
            }

            return null;
        }
        foreach ((new Swaps($this->library, $this->style->plan->withoutLadders))->sameDirection($rung, $this->client) as $swap) {
            if ($swap->rung->ladder !== $rung->ladder && $this->moves->isMeant($swap->rung)) {
                return $swap->rung;
            }
        }

        return null;
    }

    /**
     * @param  list<string>  $reasons
     * @param  list<string>  $wouldChange
     */
    public function stay(string $rule, array $reasons, array $wouldChange, bool $retest = false, ?Rung $swap = null): Verdict
    {
        return new Verdict(
            Decision::Stay,
            $rule,
            $this->history->position(),
            $this->history->dose(),
            $reasons,
            $wouldChange,
            false,
            $retest,
            $swap,
        );
    }

    /**
     * @param  list<string>  $reasons
     * @param  list<string>  $wouldChange
     */
    public function move(
        Decision $decision,
        string $rule,
        Position $to,
        array $reasons,
        array $wouldChange = [],
        bool $refer = false,
        bool $retest = false,
        ?Rung $swap = null,
    ): Verdict {
        if ($to->is($this->history->position())) {
            return new Verdict(
                Decision::Stay,
                $rule,
                $to,
                $this->history->dose(),
                [
                    ...$reasons,
                    'Nothing easier of this ladder is allowed: it stays, with less range or an easier exercise that trains the same.',
                ],
                $wouldChange,
                $refer,
                $retest,
                $swap ?? $this->swap(),
            );
        }

        return new Verdict(
            $decision,
            $rule,
            $to,
            $this->steps->dose($to->rung, $to->step, $to->range),
            $reasons,
            $wouldChange,
            $refer,
            $retest,
            $swap,
        );
    }

    /**
     * A step down: the range where something moves, else the dose; at the start in the least range a rung.
     *
     * @param  list<string>  $wouldChange
     */
    public function stepDown(string $rule, string $why, array $wouldChange, bool $afterPain, ?Rung $swap): Verdict
    {
        $history = $this->history;
        $back = $this->steps->back($history->rung, $history->step, $history->range);
        if ($back === null) {
            return $this->move(Decision::Regress, $rule, $this->lower(1, ! $afterPain), [$why], $wouldChange, swap: $swap);
        }
        $to = new Position($history->rung, ...$back);
        $less = $history->scale()->perMille(
            $this->steps->dose($to->rung, $to->step, $to->range)->range,
        ) < $history->scale()->perMille($history->dose()->range);

        return $this->move(
            Decision::StepDown,
            $rule,
            $to,
            [$why.($less ? ' Less range first, until it stays clean; the dose stays.' : '')],
            $wouldChange,
            swap: $swap,
        );
    }
}
