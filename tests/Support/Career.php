<?php

declare(strict_types=1);

namespace Tests\Support;

use DateTimeImmutable;
use EvenRungs\Core\Client\Clearance;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Client\Stop;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChooser;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use Random\Randomizer;

/**
 * One client over many weeks: planned, run, logged, judged, accepted and planned again with the parts that the application uses. What was
 * earned is counted a second time here, by days alone.
 */
final class Career
{
    use CareerCare;
    use CareerVerdicts;

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
}
