<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use App\Models\LoggedSet;
use DateTimeImmutable;
use EvenRungs\Core\Roster\Needs;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;

/**
 * The clients of a studio, those first who need the trainer's eye.
 */
final class Roster
{
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

            return [$row, $this->needs($client, $row['refer'] !== null)];
        });

        return array_values($rows->sortBy(static fn (array $each): int => $each[1]->rank())->map(static fn (array $each): array => [...$each[0], 'needs' => array_map(
            static fn (array $need): array => ['kind' => $need[0]->value, 'on' => $need[1]?->format('Y-m-d'), 'count' => $need[2]],
            $each[1]->all,
        )])->all());
    }

    private function needs(Client $client, bool $refers): Needs
    {
        $today = Carbon::today()->toDateTimeImmutable();
        $worst = LoggedSet::query()->ofClient($client)->where('on', '>=', Needs::recentFrom($today)->format('Y-m-d'))->where('pain', '>', 0)->ordered('pain', 'desc')->ordered('on', 'desc')->first();

        return Needs::on($today, $refers, $worst === null ? null : new DateTimeImmutable($worst->on), $worst->pain ?? 0, $this->logs->waiting($client), $this->screening->due($client), LogBook::lastDay($client));
    }
}
