<?php

declare(strict_types=1);

namespace Tests\Support;

use DateTimeImmutable;
use EvenRungs\Core\Client\Clearance;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Stop;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Planning\Edit\ProgramEdit;
use EvenRungs\Core\Planning\Edit\StandingEdit;
use EvenRungs\Core\Program\Fit;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramRefit;
use EvenRungs\Core\Program\Refit;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Core\Verdict\Verdict;
use PHPUnit\Framework\Assert;

/**
 * What the verdicts of a career do with a client.
 */
trait CareerVerdicts
{
    /**
     * Judges a ladder after a session, holds the answer against the count of days, and accepts it.
     *
     * @param  list<LoggedSet>  $sets
     */
    private function judged(string $ladder, DateTimeImmutable $date, int $week, array $sets): bool
    {
        $at = $this->stands[$ladder];
        $clean = array_filter(
            $sets,
            static fn (LoggedSet $set): bool => $set->faults !== []
                || $set->pain === null
                || $set->pain > 2
                || $set->painKind?->stops() === true
                || $set->effort !== 5
                || $set->breathing !== true
                || $set->done < $set->target,
        ) === [];
        $worst = max(array_map(static fn (LoggedSet $set): int => $set->pain ?? 0, $sets));
        $before = $this->done[$at->rung->id][count($this->done[$at->rung->id]) - 2] ?? null;
        $clean = $clean && ($before === null || $worst <= $before->worstPain());
        $run = $this->run[$ladder] ?? [];
        $gap = $run === [] ? 0 : (int) end($run)->date->diff($date)->days;
        $this->run[$ladder] = $clean ? [
            ...($gap >= 14 ? [] : $run),
            $this->done[$at->rung->id][count($this->done[$at->rung->id]) - 1],
        ] : [];
        $verdict = $this->verdict($ladder, $date);
        $style = $this->style->suiting($this->known($date));
        $since = $this->arrived[$ladder] ?? $this->done[$at->rung->id][0]->date;
        $earned = $this->running($ladder, $date) >= $style->cleanSessions && (int) $since->diff($date)->days >= $style->daysOnRung;
        $up = in_array($verdict->decision, [Decision::StepUp, Decision::Progress], true);
        $where = sprintf(
            '%s: %s step %d on %s in week %d, %s: %s',
            $this->seed,
            $at->rung->id,
            $at->step,
            $date->format('Y-m-d'),
            $week,
            $verdict->rule,
            implode(' ', $verdict->reasons),
        );
        if ($up) {
            Assert::assertTrue($earned, 'nobody moves up unearned: '.$where);
        } elseif ($earned) {
            Assert::assertTrue($this->isAtTop($at, $date), 'who earned a step gets it: '.$where);
        }
        if ($this->isAtTop($this->stands[$ladder], $date)) {
            $this->toTop[$ladder] ??= $week;
        }

        return $this->accept($ladder, $verdict, $date, $week, $where);
    }

    /** Nothing that is allowed stands above, and no step is left: counted from the ladder itself. */
    public function isAtTop(Position $at, DateTimeImmutable $date): bool
    {
        $library = Documents::data()->library();
        $client = $this->known($date);
        if ($at->range !== null || $at->step < count((new Steps($this->style, $client))->of($at->rung)) - 1) {
            return false;
        }
        foreach ($library->ladderOf($at->rung)->above($at->rung) as $rung) {
            $isLeftOut = ! $this->goal->allows($rung) || in_array($rung->category, $this->goal->without, true) || in_array(
                $rung->id,
                $this->style->plan->withoutRungs,
                true,
            );
            if (! $isLeftOut && Obstacles::between($client, $rung, $library)->isClear()) {
                return false;
            }
        }

        return true;
    }

    private function verdict(string $ladder, DateTimeImmutable $date): Verdict
    {
        $library = Documents::data()->library();
        $client = $this->known($date);
        $at = $this->stands[$ladder];
        $stop = $this->stopped[$ladder] ?? null;
        $judge = new Judge($library, $this->style, $client, $this->goal);

        return $judge->decide(new History(
            $library->ladder($ladder),
            $at->rung,
            $at->step,
            $this->arrived[$ladder] ?? null,
            $date,
            $this->done[$at->rung->id] ?? [],
            $judge->steps,
            $at->range,
            $stop === null ? null : (
                Cleared::for($client)->by(Clearance::ofStop($ladder), $stop) ?? Cleared::for($client)->by(Clearance::STOP_OF_ALL, $stop)
            )?->on,
            null,
            $this->trainedOn,
        ));
    }

    private function accept(string $ladder, Verdict $verdict, DateTimeImmutable $date, int $week, string $where): bool
    {
        $data = Documents::data();
        $client = $this->known($date);
        $steps = new Steps($this->style, $client);
        $edit = new StandingEdit($data->library(), $steps);
        if ($verdict->decision === Decision::Stop) {
            Assert::assertTrue($verdict->refer, $where);
            $this->moves['stop']++;
            $this->stopped[$ladder] = $date;
            $this->run[$ladder] = [];
            if ($verdict->scope === Verdict::ALL) {
                $this->halted = new Stop($date, 'numb');
            }
            $this->program = $this->refitted(
                (new ProgramEdit($data->library(), $steps))->instead($this->program, $ladder, $verdict->swap),
                $date,
            );

            return true;
        }
        $to = $verdict->to;
        if ($to === null || $to->is($this->stands[$ladder])) {
            return false;
        }
        $isUp = in_array($verdict->decision, [Decision::StepUp, Decision::Progress], true);
        $this->moves[$isUp ? 'up' : 'back']++;
        Assert::assertTrue(
            Obstacles::between($client, $to->rung, $data->library())->isClear(),
            'a verdict never leads onto a barred rung: '.$where,
        );
        if ($to->rung !== $this->stands[$ladder]->rung) {
            $this->arrived[$ladder] = $date;
            $this->run[$ladder] = [];
        }
        $this->stands[$ladder] = $to;
        unset($this->doses[$ladder]);
        $promised = $steps->dose($to->rung, $to->step, $to->range);
        Assert::assertEquals($promised->measure, $verdict->dose?->measure, 'what the card promises is a step: '.$where);
        Assert::assertEquals($promised->range, $verdict->dose?->range, $where);
        $present = min(count($this->program->weeks), $week - $this->plannedIn + 1);
        $progression = new Progression($data->library(), $this->style, $steps, $this->goal);
        $this->program = $this->refitted(
            $edit->standOn($this->program, $to->rung, $to->step, $to->range, $this->known($date), $progression, $present),
            $date,
        );
        foreach ($this->program->weeks[$present - 1]->sessions as $session) {
            foreach ($session->entries() as $entry) {
                if ($entry->exercise === $to->rung->id) {
                    Assert::assertEquals(
                        [$promised->measure, $promised->range],
                        [$entry->dose->measure, $entry->dose->range],
                        'the week writes what the card promised: '.$where,
                    );
                }
            }
        }

        return true;
    }

    private function refitted(Program $program, DateTimeImmutable $date): Program
    {
        $library = Documents::data()->library();

        return (new ProgramRefit($library, new Refit($library, new Fit($library))))->into($program, $this->known($date))[0];
    }

    /** What a trainer sees who opens the page before a session: time away, and what a clearance lifted. */
    private function lookAgain(DateTimeImmutable $day, int $week): void
    {
        foreach (array_keys($this->stands) as $ladder) {
            if (($this->done[$this->stands[$ladder]->rung->id] ?? []) === []) {
                continue;
            }
            $verdict = $this->verdict($ladder, $day);
            if (in_array($verdict->rule, ['layoff', 'pain.cleared'], true)) {
                $this->accept($ladder, $verdict, $day, $week, sprintf('%s: %s on %s', $this->seed, $verdict->rule, $day->format('Y-m-d')));
                $this->run[$ladder] = [];
            }
        }
    }

    /** What a week expected and did not get is taken back when it begins. */
    private function catchUp(DateTimeImmutable $day, int $week): void
    {
        $data = Documents::data();
        $client = $this->known($day);
        $steps = new Steps($this->style, $client);
        $edit = new StandingEdit($data->library(), $steps);
        $caughtUp = $edit->caughtUp(
            $this->program,
            $client,
            new Progression($data->library(), $this->style, $steps, $this->goal),
            $week - $this->plannedIn + 1,
        );
        if ($caughtUp !== $this->program && $this->halted === null) {
            $this->program = $this->refitted($caughtUp, $day);
            $this->assertGoodProgram($client, 'caught up in week '.$week);
        }
    }

    /** A clinician lifts what was stopped, once a week. */
    private function clear(DateTimeImmutable $day, int $week): void
    {
        if ($this->halted === null && $this->stopped === []) {
            return;
        }
        $this->clearances = [
            ...($this->halted === null ? [] : [new Clearance(Clearance::STOP_OF_ALL, $day)]),
            ...array_map(
                static fn (string $ladder): Clearance => new Clearance(Clearance::ofStop($ladder), $day),
                array_keys($this->stopped),
            ),
        ];
        $this->lookAgain($day, $week);
        $this->halted = null;
        $this->stopped = [];
        $this->clearances = [];
        $this->plannedIn = 0;
    }
}
