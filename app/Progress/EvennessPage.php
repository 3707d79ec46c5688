<?php

declare(strict_types=1);

namespace App\Progress;

use App\Models\Client;
use App\Models\EvenOut;
use App\Planning\Board;
use App\Planning\BoardLoader;
use App\Support\ClientRows;
use App\Support\ClockField;
use App\Support\StudioDay;
use DateTimeImmutable;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Log\WorkDone;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Review\Evenness\EvennessRule;
use EvenRungs\Core\Review\Evenness\SideIndex;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Collection;
use stdClass;

/**
 * How even a client's rungs are: levels, what was really done against what was planned, left against right, front against back
 * and sides, and how long each ladder has stood.
 */
final class EvennessPage
{
    private const WEEK_DAYS = 7;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly ForecastView $forecasts,
        private readonly EvenOuts $evenOuts,
        private readonly OwnAimsView $ownAims,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Client $client): array
    {
        $board = $this->boards->load($client);
        $today = StudioDay::today()->toDateTimeImmutable();
        $inUse = $board->inUse($this->data->library());
        $rule = $this->evenOuts->rule($board);
        $sets = EvenOuts::sets($client);
        $open = EvenOuts::open($client);

        return [
            'levels' => array_map(static fn (Category $each): array => [
                'code' => $each->value,
                'name' => $each->label(),
                'level' => $rule->levels[$each->value] ?? null,
                'left_out' => $rule->leftOut[$each->value] ?? null,
                'holds' => $rule->holds($each),
                'held' => self::inPlan($open->where('kind', EvenOut::HOLD)->firstWhere('category', $each->value)),
            ], EvennessRule::compared()),
            'spread' => $rule->spread(),
            'proposal' => $rule->proposal(),
            'top_level' => Level::MOST,
            'done' => $this->done($board, $sets, $today),
            'sides' => $this->sides($inUse, $sets, $open),
            'tests' => $this->tests($client, $open),
            'ladders' => $this->ladders($client, $inUse, $today),
            'own_aims' => $this->ownAims->of($client),
        ];
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
            $amount = static fn (WorkDone $of): array => [
                'sessions' => $of->sessions($code),
                'sets' => $of->sets[$code] ?? 0,
                'work' => ClockField::of(Seconds::ofMs($of->ms[$code] ?? 0)),
            ];

            return [
                'code' => $code,
                'name' => $each->label(),
                'target_sessions' => $target[$code] ?? $board->style->directionSessions,
                'planned' => [
                    'sets' => round($average(static fn (DirectionShares $of): int => $of->sets[$code]), 1),
                    'work' => ClockField::of(Seconds::ofMs((int) $average(static fn (DirectionShares $of): int => $of->ms[$code]))),
                ],
                'week' => $amount($week),
                'month' => $amount($month),
            ];
        }, Category::directions());
    }

    /**
     * @param  list<Placement>  $inUse
     * @param  Collection<int, stdClass>  $sets
     * @param  Collection<int, EvenOut>  $open
     * @return list<array<string, mixed>> ladders with both sides logged
     */
    private function sides(array $inUse, Collection $sets, Collection $open): array
    {
        $sides = [];
        foreach ($inUse as $placement) {
            $index = EvenOuts::index($placement, $sets);
            if ($index->percent !== null) {
                $sides[] = self::side($placement->rung->name ?? '', $placement->ladder, $index, $open);
            }
        }

        return $sides;
    }

    /**
     * @param  Collection<int, EvenOut>  $open
     * @return array<string, mixed>
     */
    private static function side(string $what, Ladder $ladder, SideIndex $index, Collection $open): array
    {
        return [
            'what' => $what,
            'ladder' => $ladder->id,
            'in_plan' => self::inPlan($open->firstWhere('ladder', $ladder->id)),
            'category' => $ladder->category->value,
            'percent' => round($index->percent ?? 0, 1),
            'worse' => $index->worse,
            'extra_set' => $index->extraSet,
            'advice' => $index->advice(),
        ];
    }

    /** @return array{id: int, since: string, side: ?string}|null */
    private static function inPlan(?EvenOut $open): ?array
    {
        return $open === null ? null : ['id' => $open->id, 'since' => $open->from, 'side' => $open->side];
    }

    /**
     * @param  Collection<int, EvenOut>  $open
     * @return ?array<string, mixed> holds of the newest test day: front, back and sides
     */
    private function tests(Client $client, Collection $open): ?array
    {
        $last = ClientRows::of($client)->testDays()->last();
        if ($last === null) {
            return null;
        }
        $known = is_array($client->document['tests'] ?? null) ? $client->document['tests'] : [];
        $hold = static fn (string $test): ?float => is_numeric($known[$test] ?? null) ? (float) $known[$test] : null;
        $index = EvenOuts::tested($client);
        $ladder = EvenOuts::testedLadder($this->data->library());

        return [
            'on' => $last->on,
            'front_s' => $hold('flexor_s'),
            'back_s' => $hold('extensor_s'),
            'left_s' => $hold('side-plank-left_s'),
            'right_s' => $hold('side-plank-right_s'),
            'index_percent' => $index->percent === null ? null : round($index->percent, 1),
            'advice' => $index->advice(),
            'extra_set' => $index->extraSet,
            'ladder' => $ladder,
            'in_plan' => self::inPlan($open->firstWhere('ladder', $ladder)),
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
                'forecast' => ForecastView::ofLadder($outlook, $each),
            ];
        }, $inUse);
    }
}
