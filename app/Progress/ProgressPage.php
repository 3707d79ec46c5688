<?php

declare(strict_types=1);

namespace App\Progress;

use App\Models\Client;
use App\Planning\Board;
use App\Planning\BoardLoader;
use App\Support\ClientRows;
use App\Support\StudioDay;
use App\Today\LogBook;
use DateTimeImmutable;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Review\Evenness\SideIndex;
use EvenRungs\Core\Review\Progress\LevelsOverTime;
use EvenRungs\Core\Review\Progress\RungSession;
use EvenRungs\Core\Review\Progress\Stand;
use EvenRungs\Storage\DataFolder;

/**
 * What became of a client over months, in numbers to be drawn: levels, the way up each ladder, what was asked and done, left against
 * right, tests, and the weeks with their work and load.
 */
final class ProgressPage
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly TestsOverTimeView $tests,
        private readonly WeeksOverTimeView $weeks,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Client $client, int $months): array
    {
        $board = $this->boards->load($client);
        $today = StudioDay::today()->toDateTimeImmutable();
        $from = $today->modify(sprintf('-%d months', $months));
        $stands = Stand::since($this->stands($client, $board, $today), $from);
        $sessions = $this->sessions($client, $board, $from);

        return [
            'from' => $from->format('Y-m-d'),
            'to' => $today->format('Y-m-d'),
            'months' => $months,
            'top_level' => Level::MOST,
            'levels' => $this->levels($stands, $board),
            'ladders' => array_map(
                fn (Placement $each): array => $this->ladder($each, $stands, $sessions[$each->ladder->id] ?? [], $board),
                array_values(
                    array_filter(
                        $board->placements,
                        static fn (Placement $each): bool => $each->rung !== null && isset($sessions[$each->ladder->id]),
                    ),
                ) ?: array_slice($board->inUse($this->data->library()), 0, 1),
            ),
            'even_from_percent' => SideIndex::UNDER_PERCENT,
            'tests' => $this->tests->of($client, $from),
            'weeks' => $this->weeks->of($board, $from, $today),
        ];
    }

    /** @return list<Stand> every move, oldest first, and where the client stands today */
    private function stands(Client $client, Board $board, DateTimeImmutable $today): array
    {
        $library = $this->data->library();
        $isAssumed = static fn (Basis $basis, string $ladder): bool => $basis->isAssumed() && ! in_array($ladder, $board->trained, true);
        $stands = [];
        foreach (ClientRows::of($client)->moves() as $row) {
            if ($library->hasLadder($row->ladder) && ($row->rung === null || $library->hasRung($row->rung))) {
                $stands[] = new Stand(
                    new DateTimeImmutable(substr((string) $row->created_at, 0, 10)),
                    $library->ladder($row->ladder),
                    $row->rung === null ? null : $library->rung($row->rung),
                    (int) $row->step,
                    $isAssumed(Basis::from($row->basis), $row->ladder),
                );
            }
        }
        foreach ($board->placements as $each) {
            $stands[] = new Stand($today, $each->ladder, $each->rung, $each->step, $isAssumed($each->basis, $each->ladder->id));
        }

        return $stands;
    }

    /**
     * @param  list<Stand>  $stands
     * @return array<string, mixed>
     */
    private function levels(array $stands, Board $board): array
    {
        $inUse = array_map(static fn (Placement $each): string => $each->ladder->id, $board->inUse($this->data->library()));
        $over = LevelsOverTime::of(
            array_values(array_filter($stands, static fn (Stand $each): bool => in_array($each->ladder->id, $inUse, true))),
        );

        return [
            'directions' => array_map(static fn (Category $each): array => [
                'code' => $each->value,
                'name' => $each->label(),
                'said' => $over->inWords($each),
            ], Category::directions()),
            'days' => array_map(static fn (string $on, array $levels): array => [
                'on' => $on,
                'levels' => $levels,
            ], array_keys($over->days), array_values($over->days)),
        ];
    }

    /** @return array<string, non-empty-list<RungSession>> by ladder, oldest first */
    private function sessions(Client $client, Board $board, DateTimeImmutable $from): array
    {
        $rungs = array_merge([], ...array_map(static fn (Placement $each): array => $each->ladder->rungs, $board->placements));
        $sessions = [];
        foreach (LogBook::since($client, $from, $rungs) as [$rung, $logged]) {
            $session = RungSession::of($rung, $logged);
            if ($session !== null) {
                $sessions[$rung->ladder][] = $session;
            }
        }

        return $sessions;
    }

    /**
     * @param  list<Stand>  $stands
     * @param  list<RungSession>  $sessions
     * @return array<string, mixed>
     */
    private function ladder(Placement $at, array $stands, array $sessions, Board $board): array
    {
        $steps = $board->steps();
        $own = array_values(array_filter($stands, static fn (Stand $each): bool => $each->ladder->id === $at->ladder->id));

        return [
            'id' => $at->ladder->id,
            'name' => $at->ladder->name,
            'category' => $at->ladder->category->value,
            'rung' => $at->rung?->id,
            'rung_name' => $at->rung->name ?? '',
            'unit' => $at->rung?->unit()->value,
            'path' => array_map(static fn (Stand $each): array => [
                'on' => $each->on->format('Y-m-d'),
                'rung' => $each->rung->name ?? '–',
                'level' => $each->level(),
                'step' => $each->rung === null ? 0 : 1 + min($each->step, count($steps->of($each->rung)) - 1),
                'steps' => $each->rung === null ? 0 : count($steps->of($each->rung)),
                'dose' => $each->rung === null ? '' : Wording::shown($steps->dose($each->rung, $each->step)),
                'assumed' => $each->assumed,
            ], $own),
            'sessions' => array_map(static fn (RungSession $each): array => [
                'on' => $each->on,
                'rung' => $each->rung->id,
                'name' => $each->rung->name,
                'unit' => $each->rung->unit()->value,
                'sets' => $each->sets,
                'asked' => $each->rung->unit()->shown($each->asked),
                'done' => $each->rung->unit()->shown($each->done),
                'left' => $each->sides === null ? null : $each->rung->unit()->shown($each->sides[0]),
                'right' => $each->sides === null ? null : $each->rung->unit()->shown($each->sides[1]),
                'percent' => $each->percent() === null ? null : round($each->percent(), 1),
                'clean' => $each->clean,
            ], $sessions),
        ];
    }
}
