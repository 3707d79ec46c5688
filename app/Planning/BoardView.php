<?php

declare(strict_types=1);

namespace App\Planning;

use App\Today\FloorPlans;
use App\Today\LastLoads;
use App\Today\LogDocument;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\OtherTraining;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Floor\FloorSet;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\DoseRange;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Planning\Edit\StandingEdit;
use EvenRungs\Core\Program\Block;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Shift;
use EvenRungs\Core\Program\Unwritten;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Review\Evenness\DirectionLevels;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\PlacementJson;
use EvenRungs\Storage\DataFolder;

/**
 * A board as the pages show it: the wall, the week, and what can be undone. Every number on a page comes from here.
 */
final class BoardView
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    /** @return array<string, mixed> */
    public function of(Board $board): array
    {
        $week = $board->program->weeks[0] ?? null;

        return [
            'id' => $board->record->id,
            'version' => $board->record->version,
            'client' => $this->client($board),
            'style' => [
                'id' => $board->style->id,
                'name' => $board->style->name,
                'summary' => $board->style->summary,
                'without_ladders' => $board->style->plan->withoutLadders,
                'coaching' => $board->style->coaching(),
            ],
            'unasked' => $board->client->screen === null ? 'screen' : ($board->client->days === null ? 'days' : null),
            'refer' => PlacementJson::writeReferrals($board->referrals)['refer'],
            'ladders' => array_map(fn (Placement $each): array => $this->ladder($each, $board), $board->placements),
            'levels' => DirectionLevels::of($board->placements)->levels,
            'spread' => DirectionLevels::of($board->placements)->spread(),
            'week' => $week === null ? null : $this->week($week, $board),
            'weeks' => count($board->program->weeks ?? []),
            'present_week' => $board->program === null ? 1 : PresentWeek::of($board->program),
            'dates' => self::dates($board),
            'week_days' => array_map(static fn (int $w): array => self::days($board, $w), array_keys($board->program->weeks ?? [])),
            'title' => $board->program?->title,
            'aims' => array_values(array_filter($board->record->aims ?? [], $this->data->library()->hasRung(...))),
            'used_ladders' => $board->record->used_ladders === null ? null : array_values(
                array_filter($board->record->used_ladders, $this->data->library()->hasLadder(...)),
            ),
            'undo' => $board->undo,
            'redo' => $board->redo,
        ];
    }

    private function edit(Board $board): StandingEdit
    {
        return new StandingEdit($this->data->library(), $board->steps());
    }

    /** @return array<string, mixed> */
    private function client(Board $board): array
    {
        return [
            'name' => $board->client->name,
            'goal' => $board->client->goal->value,
            'goal_name' => $this->data->goals()[$board->client->goal->value]->name,
            'intent' => $this->data->goals()[$board->client->goal->value]->intent,
            'limits' => array_map(static fn (Limit $limit): array => [
                'id' => $limit->rule->id,
                'name' => $limit->rule->name,
                'severity' => $limit->rule->medical ? null : $limit->severity->value,
                'caution' => $limit->rule->caution,
            ], $board->client->limits),
            'equipment' => $board->client->equipment,
            'home_equipment' => $board->client->home?->equipment,
            'days' => (object) ($board->client->days ?? []),
            'other_training' => array_map(
                static fn (OtherTraining $other): array => ['day' => $other->day->value, 'type' => $other->type->value],
                $board->client->otherTraining,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private function ladder(Placement $placement, Board $board): array
    {
        $moves = new Moves($this->data->library(), $board->goal, $board->style);
        $rung = $placement->rung;
        $sessions = $board->program->weeks[0]->sessions ?? [];
        $obstacles = [];
        foreach ($placement->obstacles as $each) {
            $obstacles[$each->rung->id] = $each;
        }

        return [
            'id' => $placement->ladder->id,
            'name' => $placement->ladder->name,
            'category' => $placement->ladder->category->value,
            'standing' => $rung === null ? null : [
                'rung' => $rung->id,
                'step' => $placement->step,
                'basis' => $placement->basis->value,
                'dose' => Shorthand::write($board->steps()->dose($rung, $placement->step, $placement->range)),
                'range' => $placement->range?->toShort(),
                'last_load' => LastLoads::words($board->loads[$rung->id] ?? null),
            ],
            'stopped' => $placement->stopped()?->format('Y-m-d'),
            'why' => $placement->why,
            'swap' => $placement->swap?->id,
            'up' => $rung === null ? null : $moves->up($rung, $board->client)?->id,
            'down' => $rung === null ? null : $moves->down($rung, $board->client)?->id,
            'path' => $this->path($placement, $board),
            'in_week' => $this->training($sessions, $placement->ladder->id, $board) !== [],
            'rungs' => array_map(fn (Rung $each): array => [
                'id' => $each->id,
                'name' => $each->name,
                'level' => $each->level->value,
                'state' => $this->state($obstacles[$each->id] ?? null),
                'reasons' => isset($obstacles[$each->id]) ? $obstacles[$each->id]->sentences($this->data->library()) : [],
                'labels' => isset($obstacles[$each->id]) ? $obstacles[$each->id]->labels($this->data->library()) : [],
                'steps' => array_map(Shorthand::write(...), $board->steps()->of($each)),
                'cautions' => array_map(static fn (Limit $limit): string => $limit->rule->id, $board->client->cautions($each)),
            ], $placement->ladder->rungs),
        ];
    }

    /** @return list<array{week: int, rung: string}> where the program is expected to lead on a ladder: each rung with its first week */
    private function path(Placement $placement, Board $board): array
    {
        $path = [];
        foreach ($board->program->weeks ?? [] as $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->entries() as $entry) {
                    if ($entry->planned?->ladder === $placement->ladder->id && $placement->ladder->indexOf($entry->exercise) !== null) {
                        $path[$entry->exercise] ??= ['week' => $week->number, 'rung' => $entry->exercise];
                    }
                }
            }
        }

        return array_values($path);
    }

    /** @return 'open'|'barred'|'kit'|'later' */
    private function state(?Obstacles $obstacles): string
    {
        return match (true) {
            $obstacles === null => 'open',
            ! $obstacles->isSafe() => 'barred',
            $obstacles->missingKit !== [] => 'kit',
            default => 'later',
        };
    }

    /**
     * @param  list<Session>  $sessions
     * @return list<Session> those that train a ladder
     */
    private function training(array $sessions, string $ladder, Board $board): array
    {
        return array_values(array_filter($sessions, fn (Session $session): bool => $this->edit($board)->trains($session, $ladder)));
    }

    /**
     * What the week would take with the client on another rung; nothing where no week is planned, the rung is not open, or
     * its ladder is not in the week.
     *
     * @return array{week_total: array{seconds: int|float, text: string}|null, week_change: ?string}
     */
    public function minutesOn(Rung $rung, Board $board): array
    {
        $sessions = $board->program->weeks[0]->sessions ?? [];
        $touched = $this->training($sessions, $rung->ladder, $board);
        if ($touched === [] || ! Obstacles::between($board->client, $rung, $this->data->library())->isClear()) {
            return ['week_total' => null, 'week_change' => null];
        }
        $change = $this->edit($board)->totalOn($touched, $rung, 0)->ms - $this->edit($board)->total($touched)->ms;

        return [
            'week_total' => self::clock(Seconds::ofMs($this->edit($board)->total($sessions)->ms + $change)),
            'week_change' => ($change < 0 ? '−' : '+').self::clock(Seconds::ofMs(abs($change)))['text'],
        ];
    }

    /** @return array<string, mixed> */
    public function week(Week $week, Board $board): array
    {
        $place = (int) array_search($week, $board->program->weeks ?? [], true);
        $available = 0;
        $there = $week->clientIn($board->client);
        foreach ($week->sessions as $session) {
            $available += 60 * $there->minutesOn($session->day);
        }

        return [
            'number' => $week->number,
            'total' => self::clock($this->edit($board)->total($week->sessions)),
            'available' => self::clock(Seconds::of($available)),
            ...self::days($board, $place),
            'sessions' => $this->sessions($week, $place, $board),
            'directions' => $this->directions($week, $board),
            'gaps' => self::gaps($week, $board),
            'notes' => $week->x->sentences(),
        ];
    }

    /** @return array<string, mixed>|null when the program begins and what moves it on; null where nobody said */
    private static function dates(Board $board): ?array
    {
        $dates = $board->program === null ? null : ProgramDates::of($board->program);

        return $dates === null ? null : [
            'began' => $dates->began->format('Y-m-d'),
            'shifts' => array_map(
                static fn (Shift $shift): array => $shift->to === null ? $shift->toArray() : array_diff_key(
                    $shift->toArray(),
                    ['weeks' => 0],
                ),
                $dates->shifts,
            ),
        ];
    }

    /** @return array{from: ?string, to: ?string} the days of a week, ISO; null where nobody said when the program begins */
    private static function days(Board $board, int $week): array
    {
        $dates = $board->program === null ? null : ProgramDates::of($board->program);

        return ['from' => $dates?->first($week)->format('Y-m-d'), 'to' => $dates?->last($week)->format('Y-m-d')];
    }

    /** @return list<array<string, mixed>> as they stand in the program, each with its day */
    private function sessions(Week $week, int $place, Board $board): array
    {
        $there = $week->clientIn($board->client);
        $program = $board->program ?? new Program([]);
        $dates = ProgramDates::of($program);
        $keys = ProgramDates::keys($program)[$place] ?? [];
        $sessions = [];
        foreach ($week->sessions as $s => $session) {
            $sessions[] = [
                ...$this->session($session, $board, $there->minutesOn($session->day)),
                'number' => $s + 1,
                'date' => $dates?->session($place, $s)->format('Y-m-d'),
                'key' => $keys[$s] ?? '',
                'state' => match (true) {
                    isset($board->logged[$keys[$s] ?? '']) => $board->logged[$keys[$s]] ? 'running' : 'done',
                    ProgramDates::isMissed($session) => 'missed',
                    default => 'planned',
                },
                'moved_from' => ProgramDates::movedFrom($session)?->value,
                'moved_from_week' => ProgramDates::weekMovedFrom($session),
            ];
        }

        return $sessions;
    }

    /** @return list<array<string, mixed>> the share of each direction in a week */
    public function directions(Week $week, Board $board): array
    {
        $shares = DirectionShares::of($week, $this->data->library());
        $target = $this->data->goals()[$board->client->goal->value]->sessions;

        return array_map(static fn (Category $direction): array => [
            'code' => $direction->value,
            'name' => $direction->label(),
            'sessions' => $shares->sessions[$direction->value],
            'target' => $target[$direction->value] ?? $board->style->directionSessions,
            'sets' => $shares->sets[$direction->value],
            'work' => self::clock(Seconds::ofMs($shares->ms[$direction->value])),
            'percent' => $shares->percent($direction),
        ], Category::directions());
    }

    /** @return list<array<string, mixed>> the gaps of a week */
    private static function gaps(Week $week, Board $board): array
    {
        $gaps = array_filter($board->program->gaps ?? [], static fn (Gap $gap): bool => $gap->week === $week->number);

        return array_values(
            array_map(
                static fn (Gap $gap): array => ['category' => $gap->category->value, 'name' => $gap->category->label(), 'why' => $gap->why],
                $gaps,
            ),
        );
    }

    /** @return array<string, mixed> */
    public function session(Session $session, Board $board, int $minutes): array
    {
        $time = SessionTime::of($session, $this->data->library());
        $budget = Seconds::of(60 * $minutes);
        $why = $session->x->parts('why');
        $rows = RunSheet::of($session, $time->timeline, $this->data->library());
        $blocks = [];
        foreach ($session->blocks as $b => $block) {
            $entries = [];
            foreach ($block->entries() as $e => $entry) {
                $sets = $block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets;
                $entries[] = $this->entry(
                    $entry,
                    $time->entries[$b][$e]->total(),
                    $sets,
                    $board,
                    array_values(array_filter($rows, static fn (FloorSet $row): bool => $row->block === $b && $row->entry === $e)),
                );
            }
            $blocks[] = [
                'type' => $this->blockType($block),
                'rounds' => $block instanceof CircuitBlock ? $block->rounds : null,
                'total' => self::clock($time->blocks[$b]->total()),
                'entries' => $entries,
            ];
        }

        return [
            'day' => $session->day->value,
            'kind' => $session->kind->value,
            'total' => self::clock($time->time->total()),
            'work' => self::clock(Seconds::ofMs($time->time->workMs)),
            'rest' => self::clock(Seconds::ofMs($time->time->restMs)),
            'change' => self::clock(Seconds::ofMs($time->time->changeMs)),
            'budget' => self::clock($budget),
            'over' => $time->time->total()->isLongerThan($budget),
            'place' => $session->x->text('place'),
            'why' => array_values(array_filter($why, is_string(...))),
            'blocks' => $blocks,
        ];
    }

    /** @return 'circuit'|'rest'|'straight' */
    private function blockType(Block $block): string
    {
        return match (true) {
            $block instanceof CircuitBlock => 'circuit',
            $block instanceof RestBlock => 'rest',
            default => 'straight',
        };
    }

    /**
     * @param  list<FloorSet>  $rows  of the entry
     * @return array<string, mixed>
     */
    private function entry(Entry $entry, Seconds $total, int $sets, Board $board, array $rows): array
    {
        $rung = $this->data->library()->find($entry->exercise);
        $range = $rung === null ? null : DoseRange::outside($entry->dose, $board->steps()->of($rung), $sets);
        $unsafe = $rung === null ? [] : Obstacles::between($board->client, $rung, $this->data->library())->safety($this->data->library());

        return [
            'exercise' => $entry->exercise,
            'name' => $rung->name ?? $entry->exercise,
            'ladder' => $rung?->ladder,
            'category' => $rung?->category->value,
            'level' => $rung?->level->value,
            'dose' => Shorthand::write($entry->dose),
            'words' => Wording::of($entry->dose, $board->style->plan->bothSidesOneRep).(
                ExtraSet::side($entry) === null ? '' : sprintf(', %s side only', ExtraSet::side($entry))
            ),
            'extra' => ExtraSet::side($entry),
            'unusual' => $range === null ? null : ['far' => $range->isFar, 'text' => $range->text],
            'missing' => Unwritten::in($entry->dose, $rung),
            'last_load' => LastLoads::words($board->loads[$entry->exercise] ?? null),
            'last_load_kg' => $board->loads[$entry->exercise]['kg'] ?? null,
            'last_band' => $board->loads[$entry->exercise]['band'] ?? null,
            'banded' => $rung?->isBanded() ?? false,
            'total' => self::clock($total),
            'unit' => $rung === null ? null : LogDocument::unit($rung),
            'grid' => self::grid($rows, $rung, $entry->dose),
            'range' => $rung?->range === null ? null : ($rung->range->isCm() ? 'cm' : 'share'),
            'why' => $entry->planned->why ?? [],
            'note' => $entry->note,
            'unsafe' => $unsafe,
            'insisted' => Insistence::of($entry)?->words(),
        ];
    }

    /**
     * One row a set and side, as a log has it.
     *
     * @param  list<FloorSet>  $sets  of the entry
     * @return list<array{side: string, target: int|float, asked: object}>
     */
    private static function grid(array $sets, ?Rung $rung, Dose $dose): array
    {
        $scale = $rung === null ? 1 : LogDocument::scale($rung);

        return array_map(
            static fn (FloorSet $set): array => [
                'side' => $set->side,
                'target' => $set->target / $scale,
                'asked' => (object) ($rung === null ? [] : FloorPlans::asked($rung, $dose)),
            ],
            $sets,
        );
    }

    /** @return array{seconds: int|float, text: string} exact seconds, and m:ss to the nearest second */
    public static function clock(Seconds $time): array
    {
        return ['seconds' => $time->toNumber(), 'text' => Seconds::of(round($time->toNumber()))->toClock()];
    }
}
