<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use DateTimeImmutable;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Shift;

/**
 * On which day a program begins, and when it waits.
 */
final class DateProgram
{
    public function __construct(
        private readonly ProgramChange $programs,
    ) {
    }

    /**
     * On which day the program begins, and when the client is away or it goes on later.
     *
     * @param  list<Shift>  $shifts
     */
    public function from(Client $client, Trainer $trainer, int $version, DateTimeImmutable $began, array $shifts): void
    {
        $dated = static function (Program $program) use ($began, $shifts): Program {
            $begun = ProgramDates::of($program)?->beginningOn($began) ?? PresentWeek::begun($program, $began);

            return ProgramDates::of($begun)?->shiftedBy($shifts) ?? $begun;
        };
        $this->programs->change($client, $trainer, $version, 'Days of the program', $dated);
    }
}
