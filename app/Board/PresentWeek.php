<?php

declare(strict_types=1);

namespace App\Board;

use App\People\StudioDay;
use DateTimeImmutable;
use EvenRungs\Core\Session\Program;

/**
 * Which week of a kept program is trained now.
 */
final class PresentWeek
{
    /** Where a kept program says on which day its first week began. */
    private const BEGAN = 'began_on';

    /** A program whose first week begins today. */
    public static function begun(Program $program): Program
    {
        return new Program($program->weeks, $program->title, $program->style, $program->client, $program->gaps, [...$program->x ?? [], self::BEGAN => StudioDay::today()->toDateString()]);
    }

    /** The number of the week, 1 is the first: every seven days from its beginning the next one. */
    public static function of(Program $program): int
    {
        $began = $program->x[self::BEGAN] ?? null;
        $weeks = is_string($began) ? intdiv((int) (new DateTimeImmutable($began))->diff(StudioDay::today()->toDateTimeImmutable())->format('%r%a'), 7) : 0;

        return max(1, min(count($program->weeks), 1 + $weeks));
    }
}
