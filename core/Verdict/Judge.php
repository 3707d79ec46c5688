<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

use DateTimeImmutable;
use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Alternatives;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Style\Style;

/**
 * Progress, stay, regress, or stop: the first rule that fits decides. Pain goes before everything, and missing data never counts as a
 * pass. The rules are those of the open formats; their numbers are house rules.
 *
 * Pain zones after Thomeé R (1997) Phys Ther 77(12):1690–1703 and Silbernagel KG et al. (2007) Am J Sports Med 35(6):897–906, from memory:
 * knee and Achilles pain, for the trunk an extrapolation.
 */
final class Judge
{
    /** What each rule decides, in the order they are asked. */
    public const RULES = [
        'pain.stop' => 'Pain over 5, or sharp, spreading, numb or giving way, stops and refers.',
        'layoff' => 'Two weeks away lower by one rung, four weeks by two and a re-test; on the bottom rung the dose starts again.',
        'pain.caution' => 'Pain of 3 to 5 steps down with a swap; twice running it regresses and refers.',
        'fault.repeat' => 'The same fault that ends a set short twice running takes range or dose away, at the start dose the rung.',
        'soreness' => 'A sore trunk means no direct work today.',
        'earned' => 'Clean sessions running earn one step, from the last step one rung.',
        'stay' => 'Anything else stays.',
    ];

    /** More is a caution. */
    public const MOST_PAIN = 2;

    /** From here on no direct work, 0 to 10. */
    public const SORE_FROM = 4;

    private const LAYOFF_DAYS = 14;

    private const LONG_LAYOFF_DAYS = 28;

    private readonly Moves $moves;

    /**
     * @param  ?Client  $client  whose limits, kit and gates bar rungs; null where nobody is meant
     * @param  bool  $cleared  a clearance for monitored pain is recorded
     */
    public function __construct(
        private readonly Library $library,
        private readonly Style $style,
        private readonly ?Client $client = null,
        private readonly bool $cleared = false,
    ) {
        $this->moves = new Moves($library);
    }

    public function decide(History $history): Verdict
    {
        $last = $history->last();
        if ($last === null) {
            return $this->stay($history, 'stay', ['Nothing was logged on this rung yet.'], [$this->needed($history, 0)]);
        }

        return $this->painStop($history, $last)
            ?? $this->layoff($history, $last)
            ?? $this->painCaution($history, $last)
            ?? $this->faultRepeat($history, $last)
            ?? $this->soreness($history, $last)
            ?? $this->earned($history, $last)
            ?? $this->otherwise($history, $last);
    }

    private function painStop(History $history, LoggedSession $last): ?Verdict
    {
        if (! $last->mustStop()) {
            return null;
        }

        return new Verdict(
            Decision::Stop,
            'pain.stop',
            null,
            0,
            null,
            [$last->hasStoppingPain() ? 'Sharp or spreading pain, numbness or giving way: stop, and a clinician sees the client first.' : sprintf('Pain was %d, over %d: stop, and a clinician sees the client first.', max($last->worstPain(), $last->painBefore ?? 0), LoggedSession::STOP_OVER)],
            ['Pain of 5 or less, of an ordinary kind.'],
            true,
            false,
            $this->swap($history->rung),
        );
    }

    private function layoff(History $history, LoggedSession $last): ?Verdict
    {
        $days = self::days($last->date, $history->asOf ?? $last->date);
        if ($days < self::LAYOFF_DAYS) {
            return null;
        }
        $rungs = $days >= self::LONG_LAYOFF_DAYS ? 2 : 1;
        [$to, $step] = $this->below($history, $rungs);

        return new Verdict(
            Decision::Regress,
            'layoff',
            $to,
            $step,
            $to->dose($step),
            [sprintf('%d days since the last session: %s.', $days, $to === $history->rung ? 'its dose starts again' : ($rungs === 1 ? 'one rung lower' : 'two rungs lower, and a re-test'))],
            [sprintf('A session within %d days.', self::LAYOFF_DAYS - 1)],
            false,
            $rungs === 2,
        );
    }

    private function painCaution(History $history, LoggedSession $last): ?Verdict
    {
        $isCaution = static fn (?LoggedSession $session): bool => $session !== null && $session->worstPain() > self::MOST_PAIN && $session->worstPain() <= LoggedSession::STOP_OVER;
        if (! $isCaution($last)) {
            return null;
        }
        if ($this->style->monitorsPain && $this->cleared) {
            return $this->stay($history, 'pain.caution', [sprintf('Pain was %d, inside what the recorded clearance allows: no step up.', $last->worstPain())], ['Pain of 2 or less.']);
        }
        if ($isCaution($history->beforeLast())) {
            [$to, $step] = $this->below($history, 1);

            return new Verdict(Decision::Regress, 'pain.caution', $to, $step, $to->dose($step), [sprintf('Pain of 3 to 5 in two sessions running (now %d): one rung lower, and a clinician should see it.', $last->worstPain())], ['Pain of 2 or less.'], true, false, $this->swap($history->rung));
        }

        return $this->stepDown($history, 'pain.caution', sprintf('Pain was %d: it ends today, swap it or take less.', $last->worstPain()), ['Pain of 2 or less.'], true);
    }

    private function faultRepeat(History $history, LoggedSession $last): ?Verdict
    {
        $before = $history->beforeLast();
        if ($before === null) {
            return null;
        }
        $start = $history->rung->start()->measure->amount();
        $same = array_values(array_intersect($last->endingFaults(), $before->endingFaults()));
        $under = $last->least() !== null && $before->least() !== null && $last->least() < $start && $before->least() < $start;
        if ($same === [] && ! $under) {
            return null;
        }
        $why = $same === []
            ? 'Under the start dose of the rung in two sessions running.'
            : sprintf('%s ended a set short in two sessions running.', ucfirst(implode(', ', array_map(fn (string $fault): string => lcfirst($this->library->faults[$fault]->name ?? $fault), $same))));
        $moves = $history->rung->start()->measure->longestHold()->isZero();

        $would = $same === [] ? 'A session at the start dose of the rung, or over it.' : 'A session without that fault, at its target.';

        return $this->stepDown($history, 'fault.repeat', $why.($moves ? ' Cut the range first, until the back stays still.' : ''), [$would], false);
    }

    private function soreness(History $history, LoggedSession $last): ?Verdict
    {
        if (($last->soreness ?? 0) < self::SORE_FROM) {
            return null;
        }

        return new Verdict(Decision::Stay, 'soreness', $history->rung, $history->step, null, [sprintf('The trunk is sore at %d: no direct work today, other training may go on.', $last->soreness)], [sprintf('Soreness under %d.', self::SORE_FROM)]);
    }

    private function earned(History $history, LoggedSession $last): ?Verdict
    {
        $clean = $this->cleanRunning($history);
        if ($clean < $this->style->cleanSessions || ! $this->longEnough($history)) {
            return null;
        }
        $why = sprintf('%d clean sessions running at this step.', $clean);
        if (! $history->isLastStep()) {
            return new Verdict(Decision::StepUp, 'earned', $history->rung, $history->step + 1, $history->rung->dose($history->step + 1), [$why]);
        }
        $next = $this->above($history->rung);
        if ($next === null) {
            return $this->stay($history, 'earned', [$why.' Nothing that is allowed stands above.'], []);
        }

        return new Verdict(Decision::Progress, 'earned', $next, 0, $next->start(), [$why.sprintf(' %s comes next.', $next->name)]);
    }

    private function otherwise(History $history, LoggedSession $last): Verdict
    {
        $clean = $this->cleanRunning($history);
        $misses = $this->misses($history, count($history->sessions) - 1);
        $reasons = $misses === []
            ? [sprintf('%d clean of %d that earn a step.', $clean, $this->style->cleanSessions)]
            : [sprintf('The last session does not count: %s.', implode('; ', $misses))];
        $would = $misses === [] ? [] : array_map(static fn (string $miss): string => ucfirst($miss).': not so, and it counts.', $misses);
        if (! $this->longEnough($history)) {
            $would[] = sprintf('%d days on the rung.', $this->style->daysOnRung);
        }

        return $this->stay($history, 'stay', $reasons, [...self::shortfalls($history->rung, $last), ...$would, $this->needed($history, $clean)]);
    }

    private function needed(History $history, int $clean): string
    {
        $left = max(1, $this->style->cleanSessions - $clean);

        return sprintf('%s clean session%s at %s.', $left === 1 ? 'One more' : $left.' more', $left === 1 ? '' : 's', $history->rung->name);
    }

    /** @return list<string> by how much each side was short */
    private static function shortfalls(Rung $rung, LoggedSession $last): array
    {
        $short = [];
        foreach ($last->sets as $set) {
            if ($set->isShort()) {
                $by = $set->target - $set->done;
                $side = $set->side === null || $set->side === 'both' ? 'A set' : ucfirst($set->side).' side';
                $short[] = sprintf('%s %s short.', $side, match ($rung->start()->measure->kind()) {
                    MeasureKind::Reps => $by === 1 ? '1 repetition' : $by.' repetitions',
                    MeasureKind::Distance => $by.' m',
                    default => round($by / 1000, 1).' s',
                });
            }
        }

        return array_values(array_unique($short));
    }

    private function longEnough(History $history): bool
    {
        if ($this->style->daysOnRung === 0) {
            return true;
        }

        return $history->arrived !== null && $history->asOf !== null && self::days($history->arrived, $history->asOf) >= $this->style->daysOnRung;
    }

    /** Sessions that qualify one after the other up to the last; a gap of two weeks starts the count again. */
    public function cleanRunning(History $history): int
    {
        $clean = 0;
        for ($i = count($history->sessions) - 1; $i >= 0 && $this->misses($history, $i) === []; $i--) {
            $clean++;
            $before = $history->sessions[$i - 1] ?? null;
            if ($before !== null && self::days($before->date, $history->sessions[$i]->date) >= self::LAYOFF_DAYS) {
                break;
            }
        }

        return $clean;
    }

    /** Whether the session at a place of the history earns a part of a step. */
    public function qualifies(History $history, int $place): bool
    {
        return $this->misses($history, $place) === [];
    }

    /** @return list<string> what keeps a session from qualifying */
    private function misses(History $history, int $place): array
    {
        $session = $history->sessions[$place];
        $before = $history->sessions[$place - 1] ?? null;
        $misses = array_merge([], ...array_map(fn (LoggedSet $set): array => $set->misses(self::MOST_PAIN, $this->style->mostEffort), $session->sets));
        $needed = $history->rung->dose($history->step)->measure->amount();
        $sides = array_filter(array_map(static fn (LoggedSet $set): ?string => $set->side, $session->sets));
        $named = array_intersect(['left', 'right'], $sides);

        return array_values(array_unique([
            ...$misses,
            ...($session->sets === [] ? ['no set was logged'] : []),
            ...($history->rung->side === Side::Each && count($named) < 2 && ! in_array('both', $sides, true) || count($named) === 1 ? ['only one side was logged'] : []),
            ...(array_filter($session->sets, static fn (LoggedSet $set): bool => $set->target < $needed) === [] ? [] : ['it was done at an earlier step']),
            ...(($session->painNextDay ?? 0) > self::MOST_PAIN ? [sprintf('pain was %d on the next day', $session->painNextDay)] : []),
            ...($before !== null && $session->worstPain() > $before->worstPain() ? ['pain was more than the session before'] : []),
            ...array_map(static fn (string $tick): string => sprintf('"%s" was not ticked', lcfirst($tick)), $session->unticked()),
            ...(($session->soreness ?? 0) >= self::SORE_FROM ? ['the trunk was sore'] : []),
        ]));
    }

    /** @param  list<string>  $wouldChange */
    private function stepDown(History $history, string $rule, string $why, array $wouldChange, bool $withSwap): Verdict
    {
        $swap = $withSwap ? $this->swap($history->rung) : null;
        if ($history->step > 0) {
            return new Verdict(Decision::StepDown, $rule, $history->rung, $history->step - 1, $history->rung->dose($history->step - 1), [$why], $wouldChange, false, false, $swap);
        }
        if ($history->index() === 0) {
            return new Verdict(Decision::Stay, $rule, $history->rung, 0, $history->rung->start(), [$why.' This is the easiest of its ladder: less range, or an easier exercise that trains the same.'], $wouldChange, false, false, $swap ?? $this->easier($history->rung));
        }
        [$to, $step] = $this->below($history, 1);

        return new Verdict(Decision::Regress, $rule, $to, $step, $to->dose($step), [$why], $wouldChange, false, false, $swap);
    }

    /**
     * The last step of a rung below; past the bottom of the ladder the start dose there.
     *
     * @return array{Rung, int}
     */
    private function below(History $history, int $rungs): array
    {
        $index = $history->index() - $rungs;
        if ($index < 0) {
            return [$history->ladder->rungs[0], 0];
        }
        $rung = $history->ladder->rungs[$index];

        return [$rung, count($rung->steps) - 1];
    }

    private function above(Rung $rung): ?Rung
    {
        return $this->client === null ? $this->library->ladderOf($rung)->above($rung)[0] ?? null : $this->moves->up($rung, $this->client);
    }

    private function swap(Rung $rung): ?Rung
    {
        return $this->client === null ? $this->easier($rung) : (new Swaps($this->library, $this->style->plan->withoutLadders))->sameDirection($rung, $this->client)[0]->rung ?? $this->easier($rung);
    }

    /** The nearest easier rung of another ladder of the direction. */
    private function easier(Rung $rung): ?Rung
    {
        foreach ((new Alternatives($this->library))->easier($rung) as $other) {
            if ($other->ladder !== $rung->ladder) {
                return $other;
            }
        }

        return null;
    }

    /**
     * @param  list<string>  $reasons
     * @param  list<string>  $wouldChange
     */
    private function stay(History $history, string $rule, array $reasons, array $wouldChange): Verdict
    {
        return new Verdict(Decision::Stay, $rule, $history->rung, $history->step, $history->rung->dose($history->step), $reasons, $wouldChange);
    }

    private static function days(DateTimeImmutable $from, DateTimeImmutable $to): int
    {
        return (int) $from->diff($to)->format('%r%a');
    }
}
