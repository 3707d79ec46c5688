<?php

declare(strict_types=1);

namespace Tests\Support;

use DateTimeImmutable;
use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Client\Clearance;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Client\Stop;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChooser;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Planning\Edit\StandingEdit;
use EvenRungs\Core\Planning\Week\MissedSession;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Program\Fit;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\ProgramRefit;
use EvenRungs\Core\Program\Refit;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Core\Verdict\Verdict;
use PHPUnit\Framework\Assert;
use Random\Randomizer;

/**
 * One client over many weeks: planned, run, logged, judged, accepted and planned again with the parts that the application uses. What was
 * earned is counted a second time here, by days alone.
 */
final class Career
{
    /** Weeks planned at once, as the application does where nobody says how many. */
    private const WEEKS = 6;

    private const FIRST_DAY = '2027-01-04';

    private const DAYS = ['mon' => 0, 'tue' => 1, 'wed' => 2, 'thu' => 3, 'fri' => 4, 'sat' => 5, 'sun' => 6];

    /** @var array<string, list<LoggedSession>> by rung, oldest first */
    private array $done = [];

    /** @var array<string, Position> where the client stands, by ladder */
    public array $stands = [];

    /** @var array<string, Dose> of the step when the client came to it, by ladder */
    private array $doses = [];

    /** @var array<string, DateTimeImmutable> the day of the move to the rung, by ladder */
    private array $arrived = [];

    /** @var array<string, list<LoggedSession>> clean sessions running on the rung, by ladder */
    private array $run = [];

    /** @var array<string, DateTimeImmutable> the day of a ladder's stop */
    private array $stopped = [];

    private ?Stop $halted = null;

    /** @var list<Clearance> */
    private array $clearances = [];

    private ?DateTimeImmutable $trainedOn = null;

    /** @var array<string, int> the week in which the top was reached, by ladder that was trained */
    public array $toTop = [];

    /** @var array<string, int> how often a ladder was trained */
    public array $trained = [];

    /** @var array<string, int> steps and rungs taken up, and back, in all */
    public array $moves = ['up' => 0, 'back' => 0, 'stop' => 0];

    /** @var array{missed: int, moved: int} planned sessions that were missed, and those of them that were done on another day */
    public array $days = ['missed' => 0, 'moved' => 0];

    private Program $program;

    private int $plannedIn = 0;

    private readonly GoalRule $goal;

    public function __construct(
        private readonly Client $client,
        private readonly Style $style,
        private readonly Person $person,
        private readonly string $seed,
        private readonly ?Randomizer $misses = null,
    ) {
        $data = Documents::data();
        $this->goal = GoalRule::for($client, $data->goals());
        $chooser = new ExerciseChooser($data->library(), $style);
        foreach ((new Placer($data->library(), $style))->place($client->on(new DateTimeImmutable(self::FIRST_DAY))) as $placement) {
            $at = $chooser->standsOn($client, $this->goal, $placement);
            if ($at !== null) {
                $this->stands[$placement->ladder->id] = new Position($at->rung, $at->step, $at->range);
            }
        }
    }

    public function live(int $weeks): void
    {
        for ($week = 1; $week <= $weeks; $week++) {
            $this->liveWeek($week);
        }
    }

    /**
     * Weeks until every ladder that the plan of the day holds is at its top; null where some are not after as many weeks as given.
     */
    public function liveToTop(int $atMost): ?int
    {
        for ($week = 1; $week <= $atMost; $week++) {
            $this->liveWeek($week);
            if ($this->belowTop($week) === []) {
                return $week;
            }
        }

        return null;
    }

    /**
     * Where the client stands on each ladder that the plan holds and that is not at its top yet. Held is what
     * most of the weeks train: what comes in turn starts again every time that four weeks went by, as the layoff rule says.
     *
     * @return list<string>
     */
    public function belowTop(int $week): array
    {
        $library = Documents::data()->library();
        $date = self::monday($week + 1);
        $weeks = [];
        foreach ($this->program->weeks as $each) {
            foreach ($each->sessions as $session) {
                foreach ($session->entries() as $entry) {
                    $weeks[$library->rung($entry->exercise)->ladder][$each->number] = true;
                }
            }
        }
        $held = array_filter($weeks, fn (array $of): bool => 2 * count($of) > count($this->program->weeks));
        $below = array_filter(array_intersect_key($this->stands, $held), fn (Position $at): bool => ! $this->isAtTop($at, $date));

        return array_values(array_map(static fn (Position $at): string => $at->rung->id.' step '.$at->step, $below));
    }

    private static function monday(int $week): DateTimeImmutable
    {
        return (new DateTimeImmutable(self::FIRST_DAY))->modify('+'.(7 * ($week - 1)).' days');
    }

    private function liveWeek(int $week): void
    {
        if ($this->person->isAway($week)) {
            return;
        }
        $monday = self::monday($week);
        $this->clear($monday, $week);
        if ($week - $this->plannedIn >= self::WEEKS || $this->plannedIn === 0) {
            $this->plan($monday, $week);
        }
        $this->lookAgain($monday, $week);
        $this->catchUp($monday, $week);
        foreach (self::DAYS as $day => $after) {
            $date = $monday->modify("+{$after} days");
            foreach ($this->program->weeks[$week - $this->plannedIn]->sessions as $s => $session) {
                if ($session->day->value === $day && $this->halted === null && ! ProgramDates::isMissed($session)) {
                    if (ProgramDates::movedFrom($session) === null && $this->misses?->getInt(0, 3) === 0) {
                        $this->miss($week - $this->plannedIn, $s, $date);
                        break;
                    }
                    $this->train($session, $date, $week);
                    break;
                }
            }
        }
    }

    /** Does not come: the session goes to the next day that takes it, or is dropped, and nothing is logged either way. */
    private function miss(int $week, int $place, DateTimeImmutable $date): void
    {
        $dates = ProgramDates::of($this->program) ?? Assert::fail('the program has days');
        Assert::assertEquals($date, $dates->session($week, $place), 'the dates say the same as the days: '.$this->seed);
        $offer = MissedSession::of(
            $this->program,
            $dates,
            $week,
            $place,
            $date->modify('+1 day'),
            $this->known($date),
            Documents::data()->library(),
            $this->style,
        );
        $this->days['missed']++;
        $this->days['moved'] += $offer->day === null ? 0 : 1;
        $before = count(array_merge(...array_map(static fn (Week $each): array => $each->sessions, $this->program->weeks)));
        $this->program = $offer->day === null
            ? $this->program->changeSession($week, $place, static fn (Session $session): Session => ProgramDates::missed($session, true))
            : ProgramDates::moveSession($this->program, $week, $place, $offer->day, $offer->weekLater) ?? Assert::fail('it can be moved');
        $after = ProgramDates::of($this->program) ?? $dates;
        $on = [];
        foreach ($this->program->weeks as $w => $each) {
            $on = [...$on, ...array_map(static fn (int $s): DateTimeImmutable => $after->session($w, $s), array_keys($each->sessions))];
        }
        Assert::assertCount($before, $on, 'no session is lost');
        Assert::assertTrue($offer->on === null || in_array($offer->on, $on, false), 'it lies on the day that was offered');
    }

    /** The client as the application knows them on a day. */
    public function known(DateTimeImmutable $day): Client
    {
        $standings = [];
        $plain = $this->client->on($day);
        foreach ($this->stands as $ladder => $at) {
            $standings[$ladder] = new Standing(
                $at->rung,
                $at->step,
                $at->range,
                $this->doses[$ladder] ??= (new Steps($this->style, $plain))->dose($at->rung, $at->step, $at->range),
                $this->arrived[$ladder] ?? null,
                $this->stopped[$ladder] ?? null,
            );
        }

        return $plain->known($day, $standings, [...$this->client->clearances, ...$this->clearances], $this->halted ?? null);
    }

    private function plan(DateTimeImmutable $day, int $week): void
    {
        $client = $this->known($day);
        $this->program = ProgramDates::begin(
            (new WeekPlanner(Documents::data()->library(), $this->style, Documents::data()->goals()))->plan($client, self::WEEKS),
            $day,
            'week-'.$week,
        );
        $this->plannedIn = $week;
        $this->assertGoodProgram($client, 'planned in week '.$week);
    }

    private function train(Session $session, DateTimeImmutable $date, int $week): void
    {
        $library = Documents::data()->library();
        $this->person->begin($week);
        $sets = [];
        foreach (RunSheet::of($session, SessionTime::of($session, $library)->timeline, $library) as $asked) {
            $entry = $session->blocks[$asked->block]->entries()[$asked->entry];
            $rung = $library->rung($entry->exercise);
            $range = $rung->range === null ? null : $entry->dose->range;
            $hold = $entry->dose->measure instanceof Reps ? $entry->dose->measure->hold?->ms : null;
            $clean = new LoggedSet(
                $asked->side,
                $asked->target,
                $asked->target,
                [],
                [],
                null,
                0,
                null,
                5,
                true,
                [],
                $range,
                $range,
                false,
                false,
                $entry->dose->measure instanceof Work,
                $hold,
                $hold,
            );
            $sets[$rung->id][] = $this->person->does($clean, $rung, $week);
        }
        foreach ($sets as $id => $of) {
            $this->done[$id][] = new LoggedSession($date, 0, 0, null, $of);
        }
        $this->trainedOn = $date;
        $moved = false;
        foreach ($this->stands as $ladder => $at) {
            if (isset($sets[$at->rung->id])) {
                $this->trained[$ladder] = ($this->trained[$ladder] ?? 0) + 1;
                $moved = $this->judged($ladder, $date, $week, $sets[$at->rung->id]) || $moved;
            }
        }
        // nothing of a halted plan is run until it is planned anew
        if ($moved && $this->halted === null) {
            $this->assertGoodProgram($this->known($date), 'after the session of '.$date->format('Y-m-d'));
        }
    }

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

    /** Clean sessions running up to the last that asked at least what the position asks. */
    private function running(string $ladder, DateTimeImmutable $date): int
    {
        $at = $this->stands[$ladder];
        $dose = (new Steps($this->style, $this->known($date)))->dose($at->rung, $at->step, $at->range);
        $hold = $dose->measure instanceof Reps ? $dose->measure->hold->ms ?? 0 : 0;
        $running = 0;
        foreach (array_reverse($this->run[$ladder]) as $session) {
            foreach ($session->sets as $set) {
                $scale = $at->rung->range;
                if (
                    ! $set->timed
                    && (
                        $set->target < $dose->measure->amount() || ($set->targetHold ?? PHP_INT_MAX) < $hold || (
                            $scale !== null && $scale->perMille($set->targetRange) < $scale->perMille($dose->range)
                        )
                    )
                ) {
                    return $running;
                }
            }
            $running++;
        }

        return $running;
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
            $this->program = $this->refitted($edit->instead($this->program, $ladder, $verdict->swap), $date);

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

    private function assertGoodProgram(Client $client, string $when): void
    {
        $data = Documents::data();
        $audit = new Audit($data->library(), $this->style);
        $errors = array_map(
            static fn (Finding $each): string => $each->rule.' at '.$each->where.': '.$each->message,
            array_filter(
                $audit->found($audit->read($this->program, $client)),
                static fn (Finding $each): bool => $each->severity === Severity::Error,
            ),
        );
        Assert::assertSame([], array_values($errors), $this->seed.', '.$when);
        foreach ($this->program->weeks as $week) {
            foreach ($week->sessions as $session) {
                Assert::assertLessThanOrEqual(
                    60_000 * $client->minutesOn($session->day),
                    SessionTime::total($session, $data->library())->ms,
                    $this->seed.': over its minutes, '.$when,
                );
                foreach ($session->entries() as $entry) {
                    Assert::assertTrue(
                        Obstacles::between($client, $data->library()->rung($entry->exercise), $data->library())->isSafe(),
                        $this->seed.': '.$entry->exercise.' is barred, '.$when,
                    );
                }
            }
        }
    }
}
