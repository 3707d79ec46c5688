<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\StudioDay;
use EvenRungs\Core\Planning\Week\MissedSession;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * Says of a session that it was missed, and what can become of it.
 */
final class MissSession
{
    public function __construct(
        private readonly ProgramChange $programs,
        private readonly BoardLoader $boards,
        private readonly DataFolder $data,
    ) {
    }

    /** Says of a session that it was missed, or that it was not. */
    public function say(Client $client, Trainer $trainer, int $version, int $week, int $place, bool $missed): void
    {
        $this->programs->change(
            $client,
            $trainer,
            $version,
            $missed ? 'Session missed' : 'Session not missed',
            fn (Program $program): Program => $program->changeSession(
                $week - 1,
                $place - 1,
                static fn (Session $session): Session => ProgramDates::missed($session, $missed),
            ),
        );
    }

    /**
     * What can become of a session that is missed.
     *
     * @throws UnusableInput when there is no such session, or the program has no days
     */
    public function ifMissed(Client $client, int $week, int $place): MissedSession
    {
        $program = $this->boards->program($client);
        $dates = $program === null ? null : ProgramDates::of($program);
        if ($program === null || $dates === null || ! isset($program->weeks[$week - 1]->sessions[$place - 1])) {
            throw UnusableInput::at('/place', 'there is no such session');
        }

        return MissedSession::of(
            $program,
            $dates,
            $week - 1,
            $place - 1,
            StudioDay::today()->toDateTimeImmutable(),
            $this->boards->person($client),
            $this->data->library(),
            $this->boards->style($client),
        );
    }
}
