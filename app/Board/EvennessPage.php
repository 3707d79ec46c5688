<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use App\Models\LoggedSet as SetRow;
use App\Models\TestDay;
use App\People\StudioDay;
use DateTimeImmutable;
use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Evenness\EvennessRule;
use EvenRungs\Core\Evenness\SideIndex;
use EvenRungs\Core\Evenness\WorkDone;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Session\DirectionShares;
use EvenRungs\Formats\DataFolder;
use Illuminate\Support\Collection;
use stdClass;

/**
 * How even a client's rungs are: levels, what was really done against what was planned, left against right, front against back
 * and sides, and how long each ladder has stood.
 */
final class EvennessPage
{
    private const WEEK_DAYS = 7;

    private const MONTH_DAYS = 28;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Forecasts $forecasts,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Client $client): array
    {
        $board = $this->boards->load($client);
        $today = StudioDay::today()->toDateTimeImmutable();
        $inUse = $this->inUse($board);
        $rule = $this->rule($board);
        $sets = SetRow::query()->ofClient($client)->where('on', '>', $today->modify(sprintf('-%d days', self::MONTH_DAYS))->format('Y-m-d'))->ordered('id')->toBase()->get(['logged_session_id', 'ladder', 'rung', 'on', 'side', 'done']);

        return [
            'levels' => array_map(static fn (Category $each): array => [
                'code' => $each->value,
                'name' => $each->label(),
                'level' => $rule->levels[$each->value] ?? null,
                'left_out' => $rule->leftOut[$each->value] ?? null,
                'holds' => $rule->holds($each),
            ], EvennessRule::compared()),
            'spread' => $rule->spread(),
            'proposal' => $rule->proposal(),
            'top_level' => Level::MOST,
            'done' => $this->done($board, $sets, $today),
            'sides' => $this->sides($inUse, $sets),
            'tests' => $this->tests($client),
            'ladders' => $this->ladders($client, $inUse, $today),
        ];
    }

    public function rule(Board $board): EvennessRule
    {
        $trained = SetRow::query()->ofClient($board->record)->where('done', '>', 0)->distinct()->pluck('ladder')->map(strval(...))->all();

        return EvennessRule::of($this->inUse($board), $board->client, $this->data->library(), array_values($trained));
    }

    /** @return list<Placement> where a ladder is in the program; all where there is none */
    private function inUse(Board $board): array
    {
        $ladders = [];
        foreach ($board->program->weeks ?? [] as $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->entries() as $entry) {
                    $ladders[$this->data->library()->find($entry->exercise)->ladder ?? ''] = true;
                }
            }
        }

        return array_values(array_filter($board->placements, static fn (Placement $each): bool => $each->rung !== null && ($ladders === [] || isset($ladders[$each->ladder->id]))));
    }

    /**
     * @param  Collection<int, stdClass>  $sets  of four weeks
     * @return list<array<string, mixed>>
     */
    private function done(Board $board, Collection $sets, DateTimeImmutable $today): array
    {
        $library = $this->data->library();
        $from = $today->modify(sprintf('-%d days', self::WEEK_DAYS))->format('Y-m-d');
        $week = new WorkDone;
        $month = new WorkDone;
        foreach ($sets as $set) {
            if ($library->hasRung($set->rung)) {
                $month->add($library->rung($set->rung), $set->done, $set->side, $set->on);
                if ($set->on > $from) {
                    $week->add($library->rung($set->rung), $set->done, $set->side, $set->on);
                }
            }
        }
        $weeks = $board->program->weeks ?? [];
        $plans = array_map(static fn ($each): DirectionShares => DirectionShares::of($each, $library), array_slice($weeks, 0, 4));
        $average = static fn (callable $of): float => $plans === [] ? 0.0 : array_sum(array_map($of, $plans)) / count($plans);
        $target = $this->data->goals()[$board->client->goal->value]->sessions;

        return array_map(static function (Category $each) use ($week, $month, $average, $target, $board): array {
            $code = $each->value;
            $amount = static fn (WorkDone $of): array => ['sessions' => $of->sessions($code), 'sets' => $of->sets[$code] ?? 0, 'work' => BoardView::clock(Seconds::ofMs($of->ms[$code] ?? 0))];

            return [
                'code' => $code,
                'name' => $each->label(),
                'target_sessions' => $target[$code] ?? $board->style->directionSessions,
                'planned' => ['sets' => round($average(static fn (DirectionShares $of): int => $of->sets[$code]), 1), 'work' => BoardView::clock(Seconds::ofMs((int) $average(static fn (DirectionShares $of): int => $of->ms[$code])))],
                'week' => $amount($week),
                'month' => $amount($month),
            ];
        }, Category::directions());
    }

    /**
     * @param  list<Placement>  $inUse
     * @param  Collection<int, stdClass>  $sets
     * @return list<array<string, mixed>> ladders with both sides logged
     */
    private function sides(array $inUse, Collection $sets): array
    {
        $sides = [];
        foreach ($inUse as $placement) {
            $readings = [];
            foreach ($sets->where('ladder', $placement->ladder->id)->where('rung', $placement->rung?->id)->groupBy('logged_session_id') as $of) {
                // a set that was not begun, or of a run that was broken off, says nothing of its side
                [$left, $right] = [$of->where('side', 'left'), $of->where('side', 'right')];
                if ($left->count() > 0 && $left->count() === $right->count() && $of->min('done') > 0) {
                    $readings[] = [(int) $left->sum('done'), (int) $right->sum('done')];
                }
            }
            $index = SideIndex::of($readings);
            if ($index->percent !== null) {
                $sides[] = self::side($placement->rung->name ?? '', $placement->ladder, $index);
            }
        }

        return $sides;
    }

    /** @return array<string, mixed> */
    private static function side(string $what, Ladder $ladder, SideIndex $index): array
    {
        return ['what' => $what, 'category' => $ladder->category->value, 'percent' => round($index->percent ?? 0, 1), 'worse' => $index->worse, 'extra_set' => $index->extraSet, 'advice' => $index->advice()];
    }

    /** @return ?array<string, mixed> holds of the newest test day: front, back and sides */
    private function tests(Client $client): ?array
    {
        $days = TestDay::query()->ofClient($client)->ordered('on')->ordered('id')->get();
        $last = $days->last();
        if ($last === null) {
            return null;
        }
        $known = is_array($client->document['tests'] ?? null) ? $client->document['tests'] : [];
        $hold = static fn (string $test): ?float => is_numeric($known[$test] ?? null) ? (float) $known[$test] : null;
        $index = SideIndex::of(array_values($days->map(static fn (TestDay $day): array => [(float) ($day->tests['side-plank-left_s'] ?? 0), (float) ($day->tests['side-plank-right_s'] ?? 0)])->all()));

        return [
            'on' => $last->on,
            'front_s' => $hold('flexor_s'),
            'back_s' => $hold('extensor_s'),
            'left_s' => $hold('side-plank-left_s'),
            'right_s' => $hold('side-plank-right_s'),
            'index_percent' => $index->percent === null ? null : round($index->percent, 1),
            'advice' => $index->advice(),
        ];
    }

    /**
     * @param  list<Placement>  $inUse
     * @return list<array<string, mixed>>
     */
    private function ladders(Client $client, array $inUse, DateTimeImmutable $today): array
    {
        $arrived = $this->boards->arrived($client, placed: true);
        $outlook = $this->forecasts->of($client);

        return array_map(static function (Placement $each) use ($arrived, $outlook, $today): array {
            $since = $arrived[$each->ladder->id] ?? null;

            return [
                'id' => $each->ladder->id,
                'name' => $each->ladder->name,
                'category' => $each->ladder->category->value,
                'rung' => $each->rung?->name,
                'level' => $each->rung?->level->value,
                'step' => $each->step + 1,
                'steps' => count($each->steps),
                'since' => $since?->format('Y-m-d'),
                'days' => $since === null ? null : (int) $since->diff($today)->days,
                'forecast' => Forecasts::ofLadder($outlook, $each),
            ];
        }, $inUse);
    }
}
