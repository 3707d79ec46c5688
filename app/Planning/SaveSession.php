<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use EvenRungs\Core\Planning\Edit\CarriedOver;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Formats\UnusableInput;

/**
 * Puts a session of the builder into a week of the program.
 */
final class SaveSession
{
    public function __construct(
        private readonly ProgramChange $programs,
        private readonly KeptAllTheSame $kept,
    ) {
    }

    /**
     * @param  ?int  $place  of the session in its week, from 1; null puts it behind the others
     * @param  ?string  $insist  why something barred is kept all the same, or a dose that is far from usual
     */
    public function in(
        Client $client,
        Trainer $trainer,
        int $version,
        int $week,
        ?int $place,
        Session $session,
        ?string $insist = null,
    ): void {
        $session = $this->kept->sessions($client, $trainer, [$session], $insist)[0];
        $this->programs->change($client, $trainer, $version, sprintf(
            'Session of %s',
            $session->day->label(),
        ), fn (Program $program): Program => $this->inWeek($program, $week, function (Week $found) use ($place, $session): array {
            $sessions = $found->sessions;
            if ($place === null) {
                $sessions[] = CarriedOver::byHand($this->programs->told($session));
            } elseif (isset($sessions[$place - 1])) {
                $sessions[$place - 1] = CarriedOver::byHand($this->programs->told($session));
            } else {
                throw UnusableInput::at('/place', 'there is no such session');
            }

            return $sessions;
        }));
    }

    /** Lets a session that was built by hand go: planning anew may put another in its place. */
    public function letGo(Client $client, Trainer $trainer, int $version, int $week, int $place): void
    {
        $this->programs->change($client, $trainer, $version, 'Session let go', static fn (Program $program): Program => $program
            ->changeSession($week - 1, $place - 1, static fn (Session $session): Session => CarriedOver::byHand($session, false)));
    }

    /** @param  callable(Week): list<Session>  $edit */
    private function inWeek(Program $program, int $week, callable $edit): Program
    {
        $weeks = $program->weeks;
        $found = $weeks[$week - 1] ?? throw UnusableInput::at('/week', 'there is no such week');
        $sessions = $edit($found);
        usort($sessions, static fn (Session $a, Session $b): int => $a->day->number() <=> $b->day->number());
        $weeks[$week - 1] = $found->withSessions($sessions);

        return $program->withWeeks($weeks);
    }
}
