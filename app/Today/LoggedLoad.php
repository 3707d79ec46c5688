<?php

declare(strict_types=1);

namespace App\Today;

use DateTimeImmutable;
use EvenRungs\Core\Log\WeekLoad;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Time\Weekday;
use Illuminate\Support\Collection;
use stdClass;

/**
 * The load of seven days from logged sessions.
 */
final class LoggedLoad
{
    /**
     * @param  Collection<int, stdClass>  $rows  logged sessions, also of other days, with `on`, `effort` and `minutes`
     * @param  ?Program  $plan  on whose days a session is expected; null where nothing was planned
     */
    public static function upTo(DateTimeImmutable $last, Collection $rows, ?Program $plan): WeekLoad
    {
        $logged = [];
        foreach ($rows as $row) {
            $logged[(string) $row->on][] = $row->effort === null || $row->minutes === null
                ? null
                : (int) $row->effort * (int) $row->minutes;
        }
        $trained = array_map(static fn (Session $session): Weekday => $session->day, $plan->weeks[0]->sessions ?? []);

        return WeekLoad::upTo($last, $logged, $trained);
    }
}
