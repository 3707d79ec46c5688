<?php

declare(strict_types=1);

namespace App\Clients;

use App\Models\Client;
use App\Models\RosterRow;
use App\Models\StudioBuilder;
use App\Support\Stamps;
use stdClass;

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

    /** @return array<string, stdClass> rows that are true today as JSON, each with its urgency, by client */
    public function of(string $studio, string $today): array
    {
        return self::read(RosterRow::query()->ofStudio($studio)->where('day', $today));
    }

    /** @return array<string, stdClass> rows as they were found last, by client */
    public function last(string $studio): array
    {
        return self::read(RosterRow::query()->ofStudio($studio));
    }

    /**
     * @param  StudioBuilder<RosterRow>  $rows
     * @return array<string, stdClass>
     */
    private static function read(StudioBuilder $rows): array
    {
        return $rows->toBase()->get(['client_id', 'row', 'urgency'])->keyBy('client_id')->all();
    }

    /**
     * @param  string  $row  as JSON
     * @param  int  $urgency  place among the needs; 0 for the most urgent
     */
    public function keep(Client $client, string $today, string $row, int $urgency): void
    {
        RosterRow::query()->updateOrCreate(
            ['client_id' => $client->id],
            ['studio_id' => $client->studio_id, 'day' => $today, 'row' => $row, 'urgency' => $urgency],
        );
    }
}
