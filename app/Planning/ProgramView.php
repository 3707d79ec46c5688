<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Program as ProgramRow;
use App\Support\ClockField;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Ladder\Role;
use EvenRungs\Core\Planning\Week\Calendar;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Storage\DataFolder;

/**
 * A program over its weeks: minutes, the share of each direction and role, and the path expected along each ladder.
 */
final class ProgramView
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly WeekView $view,
        private readonly BoardLoader $boards,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Board $board): array
    {
        $program = $board->program ?? new Program([]);

        return [
            'title' => $program->title ?? '',
            'style' => $program->style ?? $board->style->id,
            'calendar' => self::calendar($program),
            'weeks' => array_map(fn (Week $week): array => [
                'number' => $week->number,
                'total' => ClockField::of($this->total($week)),
                'sessions' => count($week->sessions),
                'lighter' => $week->x->get('lighter') !== null,
                'notes' => $week->x->sentences(),
                'directions' => $this->view->directions($week, $board),
                'roles' => $this->roles($week, $board),
            ], $program->weeks),
            'shows_roles' => $board->style->plan->roleShares !== [] || $this->data->goals()[$board->client->goal->value]->showsRoles,
            'paths' => $this->paths($program),
        ];
    }

    /** @return array<string, mixed> one of the client's programs, in a line */
    public function row(ProgramRow $row): array
    {
        $program = $this->boards->read($row);
        $dates = ProgramDates::of($program);

        return [
            'id' => $row->id,
            'title' => $program->title ?? 'Program',
            'weeks' => count($program->weeks),
            'style' => $program->style,
            'began' => $dates?->began->format('Y-m-d') ?? $row->created_at->toDateString(),
            'ends' => $program->weeks === [] ? null : $dates?->last(count($program->weeks) - 1)->format('Y-m-d'),
            'current' => $row->current,
        ];
    }

    /** @return array<string, mixed> weeks away, matches and wishes, as they are asked for */
    private static function calendar(Program $program): array
    {
        $calendar = Calendar::of($program);
        $away = $matches = $wished = [];
        foreach ($calendar->away as $week => $each) {
            $away[] = ['week' => $week, 'days' => (object) $each->days, 'equipment' => $each->equipment];
        }
        foreach ($calendar->matches as $week => $days) {
            foreach ($days as $day) {
                $matches[] = ['week' => $week, 'day' => $day->value];
            }
        }
        foreach ($calendar->wished as $day => $use) {
            $wished[Weekday::cases()[$day]->value] = $use->value;
        }

        return ['away' => $away, 'matches' => $matches, 'wished' => (object) $wished];
    }

    private function total(Week $week): Seconds
    {
        $total = Seconds::zero();
        foreach ($week->sessions as $session) {
            $total = $total->plus(SessionTime::total($session, $this->data->library()));
        }

        return $total;
    }

    /** @return list<array{role: string, percent: int, target: ?int}> the share of the week's work by role */
    private function roles(Week $week, Board $board): array
    {
        $work = array_fill_keys(array_column(Role::cases(), 'value'), 0);
        foreach ($week->sessions as $session) {
            $time = SessionTime::of($session, $this->data->library());
            foreach ($session->blocks as $b => $block) {
                foreach ($block->entries() as $e => $entry) {
                    $rung = $this->data->library()->find($entry->exercise);
                    if ($rung !== null) {
                        $work[$rung->role->value] += $time->entries[$b][$e]->workMs;
                    }
                }
            }
        }
        $all = array_sum($work);

        return array_map(static fn (Role $role): array => [
            'role' => $role->value,
            'percent' => $all === 0 ? 0 : (int) round(100 * $work[$role->value] / $all),
            'target' => $board->style->plan->roleShares[$role->value] ?? null,
        ], Role::cases());
    }

    /** @return list<array<string, mixed>> for each ladder in the program, the hardest of it in each week */
    private function paths(Program $program): array
    {
        $library = $this->data->library();
        $paths = [];
        foreach ($program->weeks as $w => $week) {
            foreach (array_merge([], ...array_map(static fn (Session $session): array => $session->blocks, $week->sessions)) as $block) {
                foreach ($block->entries() as $entry) {
                    $rung = $library->find($entry->exercise);
                    if ($rung === null) {
                        continue;
                    }
                    $paths[$rung->ladder] ??= array_fill(0, count($program->weeks), null);
                    $known = $paths[$rung->ladder][$w];
                    if ($known === null || $rung->level->value > $known['level']) {
                        $dose = $block instanceof CircuitBlock ? $entry->dose->withSets($block->rounds) : $entry->dose;
                        $paths[$rung->ladder][$w] = [
                            'rung' => $rung->id,
                            'name' => $rung->name,
                            'level' => $rung->level->value,
                            'dose' => Wording::shown($dose),
                            'why' => $entry->planned->why ?? [],
                        ];
                    }
                }
            }
        }
        $rows = [];
        foreach ($library->ladders as $ladder) {
            if (isset($paths[$ladder->id])) {
                $rows[] = [
                    'ladder' => $ladder->id,
                    'name' => $ladder->name,
                    'category' => $ladder->category->value,
                    'weeks' => $paths[$ladder->id],
                ];
            }
        }

        return $rows;
    }
}
