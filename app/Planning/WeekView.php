<?php

declare(strict_types=1);

namespace App\Planning;

use App\Clients\TodayView;
use App\Support\ClockField;
use App\Support\PreparationView;
use App\Today\FloorPlanView;
use App\Today\LastLoads;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Unit;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Floor\FloorSet;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\DoseRange;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Planning\Edit\CarriedOver;
use EvenRungs\Core\Planning\Edit\StandingEdit;
use EvenRungs\Core\Planning\Session\Preparation;
use EvenRungs\Core\Program\Block;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Note;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\ProgramRefit;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Shift;
use EvenRungs\Core\Program\Told;
use EvenRungs\Core\Program\Unwritten;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Storage\DataFolder;

/**
 * A week of a client's program as pages read it: days, sessions, shares, gaps.
 */
final class WeekView
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    /** @return array<string, mixed> */
    public function of(Week $week, Board $board): array
    {
        $place = (int) array_search($week, $board->program->weeks ?? [], true);
        $available = 0;
        $there = $week->clientIn($board->client);
        foreach ($week->sessions as $session) {
            $available += 60 * $there->minutesOn($session->day);
        }

        return [
            'number' => $week->number,
            'total' => ClockField::of((new StandingEdit($this->data->library(), $board->steps()))->total($week->sessions)),
            'available' => ClockField::of(Seconds::of($available)),
            ...self::days($board, $place),
            'sessions' => $this->sessions($week, $place, $board),
            'directions' => $this->directions($week, $board),
            'gaps' => self::gaps($week, $board),
            'notes' => [...$week->x->sentences(), ...self::notes($week, $board)],
        ];
    }

    /** @return array<string, mixed>|null when the program begins and what moves it on; null where nobody said */
    public static function dates(Board $board): ?array
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
    public static function days(Board $board, int $week): array
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
                'state' => TodayView::state($board, $session, $keys[$s] ?? ''),
                'by_hand' => CarriedOver::isByHand($session),
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
            'work' => ClockField::of(Seconds::ofMs($shares->ms[$direction->value])),
            'percent' => $shares->percent($direction),
        ], Category::directions());
    }

    /** @return list<string> what a reader would ask of a week, answered */
    private static function notes(Week $week, Board $board): array
    {
        $notes = array_filter($board->program->notes ?? [], static fn (Note $note): bool => $note->week === $week->number);

        return array_values(array_map(static fn (Note $note): string => $note->text, $notes));
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
        $session = (new Preparation($this->data->library()))->suiting($session, $board->client);
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
                'total' => ClockField::of($time->blocks[$b]->total()),
                'entries' => $entries,
            ];
        }

        return [
            'day' => $session->day->value,
            'kind' => $session->kind->value,
            'total' => ClockField::of($time->time->total()),
            'work' => ClockField::of(Seconds::ofMs($time->time->workMs)),
            'rest' => ClockField::of(Seconds::ofMs($time->time->restMs)),
            'change' => ClockField::of(Seconds::ofMs($time->time->changeMs)),
            'budget' => ClockField::of($budget),
            'over' => $time->time->total()->isLongerThan($budget),
            'a_little_over' => ProgramRefit::isALittleOver($time->time->total(), $budget),
            'mended' => ProgramRefit::saidOf($session),
            'place' => $session->x->text('place'),
            'why' => array_values(array_filter($why, is_string(...))),
            'blocks' => $blocks,
            ...PreparationView::of($session, $this->data->library()),
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
            'dose' => Wording::shown($entry->dose),
            'words' => Told::dose($entry, $board->style->plan->bothSidesOneRep),
            'extra' => ExtraSet::side($entry),
            'unusual' => $range === null ? null : ['far' => $range->isFar, 'text' => $range->text],
            'missing' => Unwritten::in($entry->dose, $rung),
            'last_load' => LastLoads::words($board->loads[$entry->exercise] ?? null),
            'last_load_kg' => $board->loads[$entry->exercise]['kg'] ?? null,
            'last_band' => $board->loads[$entry->exercise]['band'] ?? null,
            'banded' => $rung?->isBanded() ?? false,
            'total' => ClockField::of($total),
            'unit' => $rung?->unit()->value,
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
        return array_map(
            static fn (FloorSet $set): array => [
                'side' => $set->side,
                'target' => ($rung?->unit() ?? Unit::Reps)->shown($set->target),
                'asked' => (object) ($rung === null ? [] : FloorPlanView::asked($rung, $dose)),
            ],
            $sets,
        );
    }
}
