<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use App\Models\LoggedSession;
use App\Models\LoggedSet;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;

/**
 * The clients of a studio, those first who need the trainer's eye.
 */
final class Roster
{
    /** A pain is recent, and a client was seen, for two weeks (house rule). */
    private const RECENT_DAYS = 14;

    /** What a client may need, the most urgent first. */
    private const ORDER = ['refer', 'pain', 'decision', 'screen', 'unseen'];

    public function __construct(
        private readonly BoardLoader $boards,
        private readonly Logs $logs,
        private readonly Screening $screening,
    ) {
    }

    /**
     * @param  Collection<int, Client>  $clients  of one studio
     * @return list<array<string, mixed>> rows by need, and among equals in the order given
     */
    public function byNeed(Collection $clients): array
    {
        $rows = $clients->map(function (Client $client): array {
            $row = ClientRow::of($this->boards->load($client));

            return [...$row, 'needs' => $this->needs($client, $row['refer'])];
        });

        return array_values($rows->sortBy(static fn (array $row): int => $row['needs'] === [] ? count(self::ORDER) : (int) array_search($row['needs'][0]['kind'], self::ORDER, true))->all());
    }

    /** @return list<array{kind: string, on: ?string, count: ?int}> most urgent first */
    private function needs(Client $client, ?string $refer): array
    {
        $since = Carbon::today()->subDays(self::RECENT_DAYS)->toDateString();
        $worst = LoggedSet::query()->ofClient($client)->where('on', '>=', $since)->where('pain', '>', 0)->ordered('pain', 'desc')->ordered('on', 'desc')->first();
        $waiting = $this->logs->waiting($client);
        $due = $this->screening->due($client);
        $seen = LoggedSession::query()->ofClient($client)->max('on');

        return array_values(array_filter([
            $refer === null ? null : ['kind' => 'refer', 'on' => null, 'count' => null],
            $worst === null ? null : ['kind' => 'pain', 'on' => $worst->on, 'count' => $worst->pain],
            $waiting === 0 ? null : ['kind' => 'decision', 'on' => null, 'count' => $waiting],
            $due === null || ! $due->isOver(Carbon::today()->toDateTimeImmutable()) ? null : ['kind' => 'screen', 'on' => $due->on->format('Y-m-d'), 'count' => null],
            ! is_string($seen) || $seen >= $since ? null : ['kind' => 'unseen', 'on' => $seen, 'count' => null],
        ]));
    }
}
