<?php

declare(strict_types=1);

namespace App\Progress;

use App\Models\Client;
use App\Models\EvenOut;
use App\Models\LoggedSet as SetRow;
use App\Models\TestDay;
use App\Models\Trainer;
use App\Planning\Board;
use App\Planning\BoardLoader;
use App\Support\ClientRows;
use App\Support\Happened;
use App\Support\StudioDay;
use DateTimeImmutable;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Review\Evenness\EvennessRule;
use EvenRungs\Core\Review\Evenness\SideIndex;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Collection;
use stdClass;

/**
 * What evens a client out, as long as it is part of the plan: the extra set of the weaker side until it comes to 90 % of the other, and the
 * held rung until no direction is two levels behind.
 */
final class EvenOuts
{
    /** Readings of the sides are taken from so many days. */
    public const DAYS = 28;

    /** The ladder that the timed holds on the sides speak of. */
    private const TESTED_LADDER = 'side-plank';

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Happened $happened,
    ) {
    }

    public function rule(Board $board): EvennessRule
    {
        return EvennessRule::of($board->inUse($this->data->library()), $board->client, $this->data->library(), $board->trained);
    }

    /**
     * @param  ?DateTimeImmutable  $after  without one, the last four weeks
     * @return Collection<int, stdClass> the sets that were done after a day, oldest first
     */
    public static function sets(Client $client, ?DateTimeImmutable $after = null): Collection
    {
        $from = $after ?? StudioDay::today()->toDateTimeImmutable()->modify(sprintf('-%d days', self::DAYS));

        return SetRow::query()->ofClient($client)->where('on', '>', $from->format('Y-m-d'))->ordered('on')->ordered('id')->toBase()->get(
            ['logged_session_id', 'ladder', 'rung', 'on', 'side', 'done'],
        );
    }

    /**
     * Left against right on the rung where a client stands.
     *
     * @param  Collection<int, stdClass>  $sets
     */
    public static function index(Placement $placement, Collection $sets): SideIndex
    {
        $done = static fn (Collection $of, string $side): array => array_values(
            $of->where('side', $side)->pluck('done')->map(intval(...))->all(),
        );

        return SideIndex::ofSessions(array_values($sets->where(
            'ladder',
            $placement->ladder->id,
        )->where('rung', $placement->rung?->id)->groupBy('logged_session_id')
            ->map(static fn (Collection $of): array => ['left' => $done($of, 'left'), 'right' => $done($of, 'right')])->all()));
    }

    /** Left against right in the timed holds of the test days. */
    public static function tested(Client $client): SideIndex
    {
        $days = ClientRows::of($client)->testDays();

        return SideIndex::of(
            array_values(
                $days->map(
                    static fn (TestDay $day): array => [
                        (float) ($day->tests['side-plank-left_s'] ?? 0),
                        (float) ($day->tests['side-plank-right_s'] ?? 0),
                    ],
                )->all(),
            ),
        );
    }

    public static function testedLadder(Library $library): ?string
    {
        return $library->hasLadder(self::TESTED_LADDER) ? self::TESTED_LADDER : null;
    }

    /** @return Collection<int, EvenOut> what is part of the plan now */
    public static function open(Client $client): Collection
    {
        return ClientRows::of($client)->evened()->toBase();
    }

    /** @return array<string, 'left'|'right'> the sides that get one set more, by ladder */
    public static function sides(Client $client): array
    {
        return self::open($client)->where('kind', EvenOut::EXTRA_SET)->pluck('side', 'ladder')->all();
    }

    /** @return list<Category> whose rung is held */
    public static function held(Client $client): array
    {
        return array_values(
            self::open($client)->where('kind', EvenOut::HOLD)->map(
                static fn (EvenOut $each): Category => Category::from((string) $each->category),
            )->all(),
        );
    }

    /**
     * Takes what the evenness page asks for into the plan.
     *
     * @throws UnusableInput where it does not ask for it
     */
    public function take(Client $client, Trainer $trainer, Node $body): void
    {
        $board = $this->boards->load($client);
        $kind = $body->string('kind');
        [$category, $ladder] = $kind === EvenOut::HOLD ? [
            $body->optionalString('category') ?? '',
            null,
        ] : [null, $body->optionalString('ladder') ?? ''];
        if ($category !== null && ! in_array($category, $this->rule($board)->hold, true)) {
            throw UnusableInput::at('/category', 'is not two levels ahead of the lowest: there is nothing to hold');
        }
        $side = $ladder === null ? null : $this->indexOf($board, $ladder)->extraSet ?? throw UnusableInput::at(
            '/ladder',
            'neither side was under 85 % of the other in two readings running',
        );
        $what = ['kind' => $kind, 'category' => $category, 'ladder' => $ladder];
        if (EvenOut::query()->ofClient($client)->where([...$what, 'until' => null])->exists()) {
            return;
        }
        EvenOut::query()->create(
            [
                'studio_id' => $client->studio_id,
                'client_id' => $client->id,
                'trainer_id' => $trainer->id,
                ...$what,
                'side' => $side,
                'from' => StudioDay::today()->toDateString(),
            ],
        );
        $this->happened->about(
            $category !== null ? sprintf('%s stays on its rung', Category::from($category)->label()) : sprintf(
                'One set more on the %s, %s',
                $side,
                $this->data->library()->ladder((string) $ladder)->name,
            ),
            $client,
        );
    }

    /** From the log where there are readings, else from the test days. */
    private function indexOf(Board $board, string $ladder): SideIndex
    {
        $index = SideIndex::of([]);
        foreach ($board->placements as $placement) {
            if ($placement->ladder->id === $ladder) {
                $index = self::index($placement, self::sets($board->record));
            }
        }

        return $index->percent === null && $ladder === self::TESTED_LADDER ? self::tested($board->record) : $index;
    }

    /** @throws UnusableInput where it is none of this client's, or over already */
    public function letGo(Client $client, Trainer $trainer, int $id): void
    {
        $open = EvenOut::query()->ofClient($client)->where('until', null)->whereKey($id)->first() ?? throw UnusableInput::at(
            '/',
            'it is not part of the plan any more',
        );
        $this->end($open, sprintf('let go by %s', $trainer->name));
        $this->happened->about(
            $open->kind === EvenOut::HOLD ? sprintf(
                '%s may move again',
                Category::from((string) $open->category)->label(),
            ) : sprintf('No set more on the %s', $open->side),
            $client,
        );
    }

    /** Ends what is not needed any more: a side that came to 90 % or turned out the stronger, a direction that is not ahead. */
    public function settle(Client $client): void
    {
        if (! EvenOut::query()->ofClient($client)->where('until', null)->exists()) {
            return;
        }
        $board = $this->boards->load($client);
        $rule = $this->rule($board);
        foreach (self::open($client) as $each) {
            if ($each->kind === EvenOut::HOLD) {
                if (! in_array($each->category, $rule->hold, true)) {
                    $this->end($each, 'no direction is two levels behind any more');
                }

                continue;
            }
            $index = $this->indexOf($board, (string) $each->ladder);
            if ($index->ends((string) $each->side)) {
                $this->end($each, sprintf('it came to %d %%', round($index->percent ?? 0)));
            }
        }
    }

    private function end(EvenOut $each, string $why): void
    {
        $each->update(['until' => StudioDay::today()->toDateString(), 'why_ended' => mb_substr($why, 0, 200)]);
    }
}
