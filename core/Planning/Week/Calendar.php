<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Program\Away;
use EvenRungs\Core\Program\Extras;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Time\Weekday;

/**
 * What is particular about single weeks of a program, and what is wished for days in all of them.
 */
final class Calendar
{
    /**
     * @param  array<int, Away>  $away  by week, 1 the first
     * @param  array<int, list<Weekday>>  $matches  days of a match, by week
     * @param  array<int, DayUse>  $wished  use of days in every week, by number, Monday 0
     */
    public function __construct(public readonly array $away = [], public readonly array $matches = [], public readonly array $wished = [])
    {
    }

    /** What a planned program was planned by. */
    public static function of(?Program $program): self
    {
        $away = $matches = $wished = [];
        foreach ($program->weeks ?? [] as $week) {
            if ($week->away() !== null) {
                $away[$week->number] = $week->away();
            }
            if ($week->matches() !== []) {
                $matches[$week->number] = $week->matches();
            }
        }
        foreach ($program?->x->parts('wished') ?? [] as $day => $use) {
            $known = Weekday::tryFrom((string) $day);
            $wish = is_string($use) ? DayUse::tryFrom($use) : null;
            if ($known !== null && $wish !== null) {
                $wished[$known->number()] = $wish;
            }
        }

        return new self($away, $matches, $wished);
    }

    /** What the program keeps of the wishes. */
    public function kept(): Extras
    {
        $wished = [];
        foreach ($this->wished as $day => $use) {
            $wished[Weekday::cases()[$day]->value] = $use->value;
        }

        return $wished === [] ? new Extras : new Extras(['wished' => $wished]);
    }

    /** What a week keeps of it, and the notes that are shown, added to what it says already. */
    public function noted(int $week, Extras $x): Extras
    {
        $away = $this->away[$week] ?? null;
        $matches = $this->matches[$week] ?? [];

        if ($away !== null) {
            $x = $x->with('away', ['days' => $away->days, 'equipment' => $away->equipment])
                ->with('away_note', 'Away: other minutes, and only the kit there.');
        }
        if ($matches !== []) {
            $x = $x->with('matches', array_map(static fn (Weekday $day): string => $day->value, $matches))->with('match_note', sprintf(
                'Match on %s: only a switch-on that day, nothing hard the day before.',
                implode(' and ', array_map(static fn (Weekday $day): string => $day->label(), $matches)),
            ));
        }

        return $x;
    }
}
