<?php

declare(strict_types=1);

namespace App\Planning;

use App\Home\HomePages;
use App\Support\ClockField;
use App\Today\LastLoads;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\OtherTraining;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Planning\Edit\StandingEdit;
use EvenRungs\Core\Program\LadderPaths;
use EvenRungs\Core\Program\Note;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\PlacementJson;
use EvenRungs\Storage\DataFolder;

/**
 * A board as the pages show it: the wall, the week, and what can be undone. Every number on a page comes from here.
 */
final class BoardView
{
    public function __construct(private readonly DataFolder $data, private readonly WeekView $weeks)
    {
    }

    /** @return array<string, mixed> */
    public function of(Board $board): array
    {
        $paths = LadderPaths::of($board->program, $this->data->library());

        return [
            ...$this->whatMoves($board),
            'client' => $this->client($board),
            'style' => [
                'id' => $board->style->id,
                'name' => $board->style->name,
                'summary' => $board->style->summary,
                'without_ladders' => $board->style->plan->withoutLadders,
                'coaching' => $board->style->coaching($board->client),
            ],
            'ladders' => array_map(fn (Placement $each): array => $this->ladder($each, $board, $paths), $board->placements),
            'words' => $this->words($board),
        ];
    }

    /**
     * What a move of a rung changed, for who has the board of before: ladders that are as they were are left out, and so is what the
     * client's entries and the style say.
     *
     * @param  int  $since  the version that it was made on
     * @return array<string, mixed>
     */
    public function changes(int $since, Board $before, Board $after): array
    {
        [$old, $new] = array_map(fn (Board $each): array => LadderPaths::of($each->program, $this->data->library()), [$before, $after]);
        $was = [];
        foreach ($before->placements as $each) {
            $was[$each->ladder->id] = $each;
        }
        $changed = array_filter(
            $after->placements,
            static fn (Placement $each): bool => $each != ($was[$each->ladder->id] ?? null)
                || ($old[$each->ladder->id] ?? null) !== ($new[$each->ladder->id] ?? null),
        );

        return [
            'since' => $since,
            'board' => $this->whatMoves($after),
            'ladders' => array_values(array_map(fn (Placement $each): array => $this->ladder($each, $after, $new), $changed)),
        ];
    }

    /** @return array<string, mixed> everything but ladders, entries and style */
    private function whatMoves(Board $board): array
    {
        $week = $board->program->weeks[0] ?? null;
        $levels = $board->levels($this->data->library());

        return [
            'id' => $board->record->id,
            'version' => $board->record->version,
            'unasked' => $board->client->screen === null ? 'screen' : ($board->client->days === null ? 'days' : null),
            'refer' => PlacementJson::writeReferrals($board->referrals)['refer'],
            'nothing_programmable' => $this->nothingProgrammable($board),
            'levels' => $levels->levels,
            'spread' => $levels->spread(),
            'week' => $week === null ? null : $this->weeks->of($week, $board),
            'weeks' => count($board->program->weeks ?? []),
            'present_week' => $board->program === null ? 1 : PresentWeek::of($board->program),
            'dates' => WeekView::dates($board),
            'week_days' => array_map(static fn (int $w): array => WeekView::days($board, $w), array_keys($board->program->weeks ?? [])),
            'title' => $board->program?->title,
            'aims' => array_values(array_filter($board->record->aims ?? [], $this->data->library()->hasRung(...))),
            'used_ladders' => $board->record->used_ladders === null ? null : array_values(
                array_filter($board->record->used_ladders, $this->data->library()->hasLadder(...)),
            ),
            'plan_asked' => $board->record->plan_asked,
            'own_pages_out' => HomePages::out($board->record),
            'undo' => $board->undo,
            'redo' => $board->redo,
        ];
    }

    /** @return list<array{say: string, rungs: list<string>}> how the style coaches, each sentence with the rungs it is said on */
    private function words(Board $board): array
    {
        $words = [];
        foreach ($board->style->wordsOn($this->data->library()->rungs(), $board->client) as $say => $on) {
            $words[] = ['say' => $say, 'rungs' => $on];
        }

        return $words;
    }

    /** What is said in the place of a stop where fewer than two directions can be trained. */
    private function nothingProgrammable(Board $board): ?string
    {
        foreach ($board->program->notes ?? [] as $note) {
            if ($note->code === Note::NOTHING_PROGRAMMABLE) {
                return $note->text;
            }
        }

        return null;
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

    /**
     * @param  array<string, array{in_week: bool, path: list<array{week: int, rung: string}>}>  $paths
     * @return array<string, mixed>
     */
    private function ladder(Placement $placement, Board $board, array $paths): array
    {
        $library = $this->data->library();
        $moves = new Moves($library, $board->goal, $board->style);
        $rung = $placement->rung;
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
                'dose' => Wording::shown($board->steps()->dose($rung, $placement->step, $placement->range)),
                'range' => $placement->range?->toShort(),
                'last_load' => LastLoads::words($board->loads[$rung->id] ?? null),
            ],
            'stopped' => $placement->stopped()?->format('Y-m-d'),
            'why' => $placement->why,
            'swap' => $placement->swap?->id,
            'up' => $rung === null ? null : $moves->up($rung, $board->client)?->id,
            'down' => $rung === null ? null : $moves->down($rung, $board->client)?->id,
            'path' => $paths[$placement->ladder->id]['path'] ?? [],
            'in_week' => $paths[$placement->ladder->id]['in_week'] ?? false,
            'rungs' => array_map(fn (Rung $each): array => [
                'id' => $each->id,
                'name' => $each->name,
                'level' => $each->level->value,
                'state' => $this->state($obstacles[$each->id] ?? null),
                'reasons' => isset($obstacles[$each->id]) ? $obstacles[$each->id]->sentences($library) : [],
                'labels' => isset($obstacles[$each->id]) ? $obstacles[$each->id]->labels($library) : [],
                'steps' => array_map(Wording::shown(...), $board->steps()->of($each)),
                'cautions' => array_map(static fn (Limit $limit): string => $limit->rule->id, $board->client->cautions($each)),
            ], $placement->ladder->rungs),
        ];
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
        $edit = $this->edit($board);

        return array_values(array_filter($sessions, static fn (Session $session): bool => $edit->trains($session, $ladder)));
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
            'week_total' => ClockField::of(Seconds::ofMs($this->edit($board)->total($sessions)->ms + $change)),
            'week_change' => ($change < 0 ? '−' : '+').ClockField::of(Seconds::ofMs(abs($change)))['text'],
        ];
    }
}
