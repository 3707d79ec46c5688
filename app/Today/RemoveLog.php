<?php

declare(strict_types=1);

namespace App\Today;

use App\Clients\RosterRows;
use App\Models\Client;
use App\Models\LogChange;
use App\Models\LoggedSession as SessionRow;
use App\Models\Trainer;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Facades\DB;

/**
 * Takes a log off the record, and puts it back.
 */
final class RemoveLog
{
    public function __construct(private readonly Logs $logs, private readonly RosterRows $roster)
    {
    }

    /** Takes a run that is thrown away off the record; it can be put back. */
    public function throwAway(Client $client, Trainer $trainer, string $key): void
    {
        DB::transaction(function () use ($client, $trainer, $key): void {
            $row = $this->logs->found($client, $key);
            if ($row !== null) {
                $this->logs->remember($client, $trainer, $row, 'removed');
                $row->delete();
                $this->roster->forget($client);
            }
        });
    }

    /**
     * @param  ?string  $reason  needed for a log of the client's own; a stop that it caused stays all the same
     *
     * @throws UnusableInput without it
     */
    public function off(Client $client, Trainer $trainer, int $session, ?string $reason): void
    {
        DB::transaction(function () use ($client, $trainer, $session, $reason): void {
            $row = SessionRow::query()->ofClient($client)->whereKey($session)->locked()->firstOrFail();
            if ($row->origin === SessionRow::BY_CLIENT && trim((string) $reason) === '') {
                throw UnusableInput::at('/reason', 'say why: the client wrote this log');
            }
            $this->logs->remember($client, $trainer, $row, 'removed', $reason);
            $row->delete();
            $this->roster->forget($client);
        });
    }

    /**
     * Puts a removed log back as it was.
     *
     * @throws UnusableInput when it is there
     */
    public function restore(Client $client, Trainer $trainer, int $change): void
    {
        DB::transaction(function () use ($client, $trainer, $change): void {
            $was = LogChange::query()->ofClient($client)->whereKey($change)->where('what', 'removed')->firstOrFail();
            if (SessionRow::query()->ofStudio($client->studio_id)->where('key', $was->key)->exists()) {
                throw UnusableInput::at('/', 'that log is there');
            }
            $rows = $this->logs->documents->read(new Node($was->before ?? []));
            if ($this->logs->otherOf($client, $was->key, $rows) !== null) {
                throw UnusableInput::at('/', 'another log of that session is there');
            }
            $this->logs->put(
                $client,
                $trainer,
                $was->key,
                null,
                $rows->with([
                    'edited' => true,
                    'origin' => ($was->before['by_client'] ?? false) === true ? SessionRow::BY_CLIENT : null,
                    'word' => $was->before['word'] ?? null,
                ]),
            );
            $this->logs->remember(
                $client,
                $trainer,
                SessionRow::query()->ofStudio($client->studio_id)->where('key', $was->key)->firstOrFail(),
                'restored',
            );
        });
    }
}
