<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Formats\UnusableInput;

/**
 * Moves a session to another day, of its week or the next, or takes it out.
 */
final class MoveSession
{
    public function __construct(
        private readonly ProgramChange $programs,
        private readonly BoardLoader $boards,
        private readonly ClientPlanner $planner,
    ) {
    }

    public function out(Client $client, Trainer $trainer, int $version, int $week, int $place): void
    {
        $this->programs->change(
            $client,
            $trainer,
            $version,
            'Session taken out',
            static fn (Program $program): Program => $program->changeSession($week - 1, $place - 1, static fn (): ?Session => null),
        );
    }

    public function to(Client $client, Trainer $trainer, int $version, int $week, int $place, Weekday $day, bool $weekLater): void
    {
        $this->programs->change(
            $client,
            $trainer,
            $version,
            sprintf('Session moved to %s', $day->label()),
            fn (Program $program): Program => $this->movedIn($client, $program, $week, $place, $day, $weekLater),
        );
    }

    /**
     * @return array{Program, Program} before and after a move that is not made
     *
     * @throws UnusableInput when there is no such session
     */
    public function tried(Client $client, int $week, int $place, Weekday $day, bool $weekLater): array
    {
        $program = $this->boards->program($client) ?? throw UnusableInput::at('/', 'there is no program yet');

        return [$program, $this->movedIn($client, $program, $week, $place, $day, $weekLater)];
    }

    private function movedIn(Client $client, Program $program, int $week, int $place, Weekday $day, bool $weekLater): Program
    {
        $found = $program->weeks[$week - 1] ?? throw UnusableInput::at('/week', 'there is no such week');
        if (! isset($found->sessions[$place - 1])) {
            throw UnusableInput::at('/place', 'there is no such session');
        }

        $moved = ProgramDates::moveSession(
            $program,
            $week - 1,
            $place - 1,
            $day,
            $weekLater,
        ) ?? throw UnusableInput::at('/week_later', 'the program ends with this week');

        return $this->planner->mended($program, $moved, $this->boards->person($client));
    }
}
