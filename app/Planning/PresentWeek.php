<?php

declare(strict_types=1);

namespace App\Planning;

use App\Support\StudioDay;
use DateTimeImmutable;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use Illuminate\Support\Str;

/**
 * Which week of a kept program is trained now.
 */
final class PresentWeek
{
    /** A program whose first week begins today, or on another day. */
    public static function begun(Program $program, ?DateTimeImmutable $day = null): Program
    {
        return ProgramDates::begin($program, $day ?? StudioDay::today()->toDateTimeImmutable(), strtolower((string) Str::ulid()));
    }

    /** The number of the week, 1 is the first. */
    public static function of(Program $program): int
    {
        return 1 + (ProgramDates::of($program)?->weekOn(StudioDay::today()->toDateTimeImmutable()) ?? 0);
    }
}
