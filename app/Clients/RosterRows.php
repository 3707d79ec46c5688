<?php

declare(strict_types=1);

namespace App\Clients;

use App\Models\Client;
use App\Models\RosterRow;
use App\Support\Stamps;

/**
 * The rows of the client list are kept, since a verdict on every ladder of every client is too much work for one look.
 * A row is true for a day, until something of the client changes.
 */
final class RosterRows
{
    /** Something of the client changed. */
    public function forget(Client $client): void
    {
        RosterRow::query()->ofClient($client)->update(['day' => null]);
        Stamps::client($client);
    }

    /** Ladders, words or styles of the studio changed, on which every row rests. */
    public function forgetAll(string $studio): void
    {
        RosterRow::query()->ofStudio($studio)->update(['day' => null]);
        Stamps::studio($studio);
    }

    /** @return array<string, array<string, mixed>> rows that are true today, by client */
    public function of(string $studio, string $today): array
    {
        return $this->where($studio, $today);
    }

    /** @return array<string, array<string, mixed>> rows as they were found last, by client */
    public function last(string $studio): array
    {
        return $this->where($studio, null);
    }

    /** @return array<string, array<string, mixed>> */
    private function where(string $studio, ?string $day): array
    {
        $rows = [];
        $query = RosterRow::query()->ofStudio($studio);
        foreach (($day === null ? $query : $query->where('day', $day))->toBase()->get(['client_id', 'row']) as $each) {
            $rows[(string) $each->client_id] = json_decode((string) $each->row, true);
        }

        return $rows;
    }

    /** @param  array<string, mixed>  $row */
    public function keep(Client $client, string $today, array $row): void
    {
        RosterRow::query()->updateOrCreate(
            ['client_id' => $client->id],
            ['studio_id' => $client->studio_id, 'day' => $today, 'row' => $row],
        );
    }
}
