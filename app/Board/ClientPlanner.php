<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use EvenRungs\Core\Body\SafetyScreen;
use EvenRungs\Core\Planning\Calendar;
use EvenRungs\Core\Planning\DoseChooser;
use EvenRungs\Core\Planning\ProgramCopy;
use EvenRungs\Core\Planning\ProgramEdit;
use EvenRungs\Core\Planning\Progression;
use EvenRungs\Core\Planning\WeekPlanner;
use EvenRungs\Core\Session\Program as Plan;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Formats\DataFolder;
use EvenRungs\Formats\UnusableInput;

/**
 * The planning tools of one client: with the client's house style, goal, standings and chosen ladders.
 */
final class ClientPlanner
{
    /** Weeks of a program where nobody said how many. */
    public const USUAL_WEEKS = 6;

    public function __construct(private readonly DataFolder $data, private readonly BoardLoader $boards)
    {
    }

    /**
     * @param  int  $weeks  1 to 12
     * @param  ?Calendar  $calendar  weeks away, matches and wishes; null keeps those of the program in use
     *
     * @throws UnusableInput when something is not known, or a clinician comes first
     */
    public function planned(Client $client, int $weeks, ?Calendar $calendar = null): Plan
    {
        $this->checkMayPlan($client);
        $style = $this->boards->style($client);
        $planner = new WeekPlanner($this->data->library(), $style, $this->data->goals(), $this->boards->placer($style));

        return $planner->plan($this->boards->person($client), $weeks, $this->boards->standings($client), $client->used_ladders, $calendar ?? Calendar::of($this->boards->program($client)));
    }

    public function plannedIfAllowed(Client $client, int $weeks): ?Plan
    {
        $person = $this->boards->person($client);
        $allowed = $person->screen !== null && $person->days !== null && (new SafetyScreen)->referrals($person) === [];

        return $allowed ? $this->planned($client, $weeks) : null;
    }

    /** @throws UnusableInput when something is not known, or a clinician comes first */
    public function checkMayPlan(Client $client): void
    {
        $person = $this->boards->person($client);
        if ($person->screen === null || $person->days === null) {
            throw UnusableInput::at('/', 'the screen and the days are needed before a week is planned');
        }
        if ((new SafetyScreen)->referrals($person) !== []) {
            throw UnusableInput::at('/', 'planning stops here until a clinician has seen the client');
        }
    }

    public function edit(Client $client): ProgramEdit
    {
        return new ProgramEdit($this->data->library(), new DoseChooser($this->boards->style($client)));
    }

    public function copy(Client $client): ProgramCopy
    {
        $style = $this->boards->style($client);

        return new ProgramCopy($this->data->library(), $style, $this->boards->placer($style));
    }

    public function progression(Client $client): Progression
    {
        return new Progression($this->data->library(), $this->boards->style($client));
    }

    public function goal(Client $client): GoalRule
    {
        return $this->data->goals()[$this->boards->person($client)->goal->value];
    }
}
