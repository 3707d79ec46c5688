<?php

declare(strict_types=1);

namespace App\Planning;

use App\Clients\Screening;
use App\Models\Client;
use App\Progress\ForecastView;
use App\Support\StudioDay;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Client\SafetyScreen;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\Pace;
use EvenRungs\Core\Planning\Edit\CarriedOver;
use EvenRungs\Core\Planning\Edit\ProgramEdit;
use EvenRungs\Core\Planning\Fit\ProgramFit;
use EvenRungs\Core\Planning\Week\Calendar;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Planning\WhyNot\ChosenLadders;
use EvenRungs\Core\Planning\WhyNot\WhyNot as FindWhyNot;
use EvenRungs\Core\Planning\WhyNot\WhyNotAnswer;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\ProgramRefit;
use EvenRungs\Core\Program\Shift;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * The planning tools of one client: with the client's house style, goal, standings and chosen ladders.
 */
final class ClientPlanner
{
    /** Weeks of a program where nobody said how many. */
    public const USUAL_WEEKS = 6;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Screening $screening,
        private readonly ForecastView $forecasts,
    ) {
    }

    /**
     * @param  int  $weeks  1 to 12
     * @param  ?Calendar  $calendar  weeks away, matches and wishes; null keeps those of the program in use
     *
     * @throws UnusableInput when something is not known, or a clinician comes first
     */
    public function planned(Client $client, int $weeks, ?Calendar $calendar = null): Program
    {
        $this->checkMayPlan($client);
        $old = $this->boards->program($client);

        return $this->dated($this->told($this->plan($client, $weeks, $calendar ?? Calendar::of($old)), $client), $old);
    }

    /**
     * The program in use planned anew, as many weeks as it has: what the trainer typed stays where its rung stays, and sessions built by
     * hand stay until they are let go.
     *
     * @throws UnusableInput when something is not known, or a clinician comes first
     */
    public function plannedAnew(Client $client): Program
    {
        $this->checkMayPlan($client);
        $old = $this->boards->program($client);
        $planned = $this->told($this->plan($client, self::weeksOf($old), Calendar::of($old)), $client);
        $carried = $old === null ? $planned : (new CarriedOver($this->data->library(), $this->boards->person($client)))->into(
            $planned,
            $old,
            PresentWeek::of($old) - 1,
        );

        return $this->dated(NameProgram::kept($carried, $old), $old);
    }

    /** What would be planned for a client as they are known now, with no days yet; null where nothing may be planned. */
    public function wouldPlan(Client $client): ?Program
    {
        $old = $this->boards->program($client);

        return $this->mayPlan($client) ? $this->plan($client, self::weeksOf($old), Calendar::of($old)) : null;
    }

    private function plan(Client $client, int $weeks, Calendar $calendar): Program
    {
        $planner = new WeekPlanner($this->data->library(), $this->boards->style($client), $this->data->goals());

        return $planner->plan($this->boards->person($client), $weeks, $calendar, $this->pace($client));
    }

    /** The program with a note on every chosen ladder that it does not hold. */
    private function told(Program $program, Client $client): Program
    {
        $chosen = new ChosenLadders($this->data->library(), $this->boards->style($client), $this->data->goals());

        return $chosen->noted($program, $this->boards->person($client));
    }

    /** Steps follow the client's own pace on the ladders whose logs show it. */
    private function pace(Client $client): Pace
    {
        $weeks = [];
        foreach ($this->forecasts->of($client)->all() as $ladder => $forecast) {
            $each = $forecast->weeksPerStep();
            if ($each !== null) {
                $weeks[$ladder] = min(Pace::MOST_WEEKS, $each);
            }
        }

        return new Pace($weeks);
    }

    private function dated(Program $program, ?Program $old): Program
    {
        $planned = PresentWeek::begun($program);
        $today = StudioDay::today()->toDateTimeImmutable();
        // who will be away is away from the new program too
        $away = array_values(
            array_filter(
                ($old === null ? null : ProgramDates::of($old))->shifts ?? [],
                static fn (Shift $shift): bool => $shift->to !== null && $shift->to >= $today,
            ),
        );

        return ProgramDates::of($planned)?->shiftedBy($away) ?? $planned;
    }

    public function plannedIfAllowed(Client $client, int $weeks): ?Program
    {
        return $this->mayPlan($client) ? $this->planned($client, $weeks) : null;
    }

    /** Whether everything is known that a plan needs, and nobody comes first. */
    public function mayPlan(Client $client): bool
    {
        $person = $this->boards->person($client);

        return $person->screen !== null && $person->days !== null && $this->whyNot($client, $person) === null;
    }

    /** @throws UnusableInput when something is not known, or a clinician comes first */
    public function checkMayPlan(Client $client): void
    {
        $person = $this->boards->person($client);
        if ($person->screen === null || $person->days === null) {
            throw UnusableInput::at('/', 'the screen and the days are needed before a week is planned');
        }
        $why = $this->whyNot($client, $person);
        if ($why !== null) {
            throw UnusableInput::at('/', $why);
        }
    }

    /** @throws UnusableInput while nothing may be run with this client */
    public function checkMayRun(Client $client): void
    {
        $why = $this->whyNot($client, $this->boards->person($client));
        if ($why !== null) {
            throw UnusableInput::at('/', $why);
        }
    }

    /** Why nothing new is planned or run: a clinician comes first, or the screen after a stop. */
    public function whyNot(Client $client, Person $person): ?string
    {
        $referral = (new SafetyScreen)->referrals($person)[0] ?? null;

        return match (true) {
            $referral?->kind === 'stop' => 'everything is stopped until a clinician has seen the client and a clearance of a '
                .'later day is recorded',
            $referral !== null => 'planning stops here until a clinician has seen the client',
            ! $this->screening->isAskedAfterStop($client) => 'there was a stop: ask the screen again, on a later day, before '
                .'anything new is planned or run',
            default => null,
        };
    }

    public function steps(Client $client): Steps
    {
        return new Steps($this->boards->style($client), $this->boards->person($client));
    }

    public function edit(Client $client): ProgramEdit
    {
        return new ProgramEdit($this->data->library(), $this->steps($client));
    }

    /** @throws UnusableInput when something is not known, or a clinician comes first */
    public function whyNotPlanned(Client $client, Rung $rung): WhyNotAnswer
    {
        $this->checkMayPlan($client);
        $whyNot = new FindWhyNot($this->data->library(), $this->boards->style($client), $this->data->goals());

        return $whyNot->of($this->boards->person($client), $rung);
    }

    public function fit(Client $client): ProgramFit
    {
        return new ProgramFit($this->data->library(), $this->boards->style($client), $this->data->goals());
    }

    public function goal(Client $client): GoalRule
    {
        return GoalRule::for($this->boards->person($client), $this->data->goals());
    }

    /**
     * A program whose sessions have grown, back inside the client's minutes.
     *
     * @return array{Program, list<string>} the program, and what gave way, each once
     */
    public function refitted(Program $program, Person $person): array
    {
        return ProgramRefit::of($this->data->library())->into($program, $person);
    }

    /** A program changed by hand, its rests giving way where a session became a little too long. */
    public function mended(Program $before, Program $after, Person $person): Program
    {
        return ProgramRefit::of($this->data->library())->mended($before, $after, $person);
    }

    /** As many weeks as a program has, within what can be planned. */
    public static function weeksOf(?Program $program): int
    {
        return min(WeekPlanner::MOST_WEEKS, max(1, count($program->weeks ?? []) ?: self::USUAL_WEEKS));
    }

    /** @throws UnusableInput where there is no such style */
    public function checkStyle(string $style, string $at = '/style'): void
    {
        if (! in_array($style, $this->data->styleNames(), true)) {
            throw UnusableInput::at($at, sprintf('there is no house style "%s"', $style));
        }
    }
}
