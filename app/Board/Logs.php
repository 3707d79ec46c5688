<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use App\Models\LogChange;
use App\Models\LoggedSession as SessionRow;
use App\Models\LoggedSet as SetRow;
use App\Models\Trainer;
use EvenRungs\Formats\DataFolder;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What was really done, kept with every change that was made to it since.
 */
final class Logs
{
    private readonly LogDocument $documents;

    public function __construct(private readonly DataFolder $data, private readonly RosterRows $roster)
    {
        $this->documents = new LogDocument($data->library());
    }

    /**
     * Keeps a session. The same key is kept once, so that a log that is sent again doubles nothing.
     *
     * @throws UnusableInput at the field
     */
    public function add(Client $client, Trainer $trainer, Node $body): void
    {
        $columns = $this->documents->session($body);
        $sets = $this->documents->sets($body);
        DB::transaction(function () use ($client, $trainer, $body, $columns, $sets): void {
            $key = $body->string('key');
            if (! SessionRow::query()->ofStudio($client->studio_id)->where('key', $key)->exists()) {
                $this->put($client, $trainer, $key, null, $columns, $sets);
            }
        });
    }

    /**
     * Keeps a session that a device is running, again and again as it grows. An older revision than the one that is kept
     * changes nothing, so that what is sent twice or late doubles and undoes nothing.
     *
     * @return int the revision that is kept
     *
     * @throws UnusableInput at the field
     * @throws StaleVersion when somebody edited the log by hand since, unless the device writes over that
     */
    public function run(Client $client, Trainer $trainer, string $key, Node $body): int
    {
        $columns = $this->documents->session($body);
        $sets = $this->documents->sets($body);
        $revision = $body->int('revision');

        return DB::transaction(function () use ($client, $trainer, $key, $body, $columns, $sets, $revision): int {
            $row = SessionRow::query()->ofStudio($client->studio_id)->where('key', $key)->locked()->first();
            if ($row === null && $this->wasRemoved($client, $key) && ! $body->bool('over')) {
                throw new StaleVersion(['removed' => true]);
            }
            if ($row !== null && $row->client_id !== $client->id) {
                throw UnusableInput::at('/key', 'belongs to another client');
            }
            if ($row !== null && $row->edited && ! $body->bool('over')) {
                throw new StaleVersion(['log' => $this->documents->write($row, $this->setsOf($row))]);
            }
            if ($row !== null && $row->revision >= $revision && ! $body->bool('over')) {
                return $row->revision;
            }
            if ($row !== null && $row->edited) {
                $this->remember($client, $trainer, $row, 'edited');
            }
            $this->put($client, $trainer, $key, $row, [...$columns, 'revision' => $revision, 'open' => $body->bool('open'), 'edited' => false], $sets);

            return $revision;
        });
    }

    private function wasRemoved(Client $client, string $key): bool
    {
        return LogChange::query()->ofClient($client)->where('key', $key)->exists();
    }

    /**
     * @param  array<string, mixed>  $columns
     * @param  list<array<string, mixed>>  $sets
     */
    private function put(Client $client, ?Trainer $trainer, string $key, ?SessionRow $row, array $columns, array $sets): void
    {
        if ($row === null) {
            $row = SessionRow::query()->create(['studio_id' => $client->studio_id, 'client_id' => $client->id, 'trainer_id' => $trainer?->id, 'key' => $key, ...$columns]);
        } else {
            $row->update($columns);
            SetRow::query()->ofClient($client)->where('logged_session_id', $row->id)->delete();
        }
        foreach ($sets as $set) {
            SetRow::query()->create([...$set, 'studio_id' => $client->studio_id, 'client_id' => $client->id, 'logged_session_id' => $row->id, 'on' => $row->on]);
        }
        $this->roster->forget($client);
    }

    /** @return Collection<int, SetRow> in the order of the floor */
    private function setsOf(SessionRow $row): Collection
    {
        return SetRow::query()->ofStudio($row->studio_id)->where('logged_session_id', $row->id)->ordered('id')->get();
    }

    /**
     * One log with everything that was recorded, and who changed it since.
     *
     * @return array<string, mixed>
     */
    public function one(Client $client, int $session): array
    {
        $row = SessionRow::query()->ofClient($client)->whereKey($session)->firstOrFail();
        $sets = $this->setsOf($row);
        $trainers = Trainer::query()->where('studio_id', $client->studio_id)->pluck('name', 'id');

        return [
            'id' => $row->id,
            'revision' => $row->revision,
            'log' => $this->documents->write($row, $sets),
            'units' => (object) $this->documents->units($sets),
            'changes' => LogChange::query()->ofClient($client)->where('key', $row->key)->ordered('id', 'desc')->get()->map(static fn (LogChange $change): array => [
                'id' => $change->id,
                'what' => $change->what,
                'by' => $trainers[$change->trainer_id] ?? null,
                'at' => $change->created_at->toIso8601String(),
                'before' => $change->before,
            ])->all(),
        ];
    }

    /**
     * Writes a log anew; as it was before is kept.
     *
     * @throws UnusableInput at the field
     * @throws StaleVersion when somebody else changed it since
     */
    public function edit(Client $client, Trainer $trainer, int $session, Node $body): void
    {
        $columns = $this->documents->session($body);
        $sets = $this->documents->sets($body);
        DB::transaction(function () use ($client, $trainer, $session, $body, $columns, $sets): void {
            $row = SessionRow::query()->ofClient($client)->whereKey($session)->locked()->firstOrFail();
            if ($row->revision !== $body->int('revision')) {
                throw new StaleVersion(['log' => $this->documents->write($row, $this->setsOf($row))]);
            }
            $this->remember($client, $trainer, $row, 'edited');
            $this->put($client, $trainer, $row->key, $row, [...$columns, 'revision' => $row->revision + 1, 'edited' => true, 'open' => false], $sets);
        });
    }

    private function remember(Client $client, Trainer $trainer, SessionRow $row, string $what): void
    {
        LogChange::query()->create([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'trainer_id' => $trainer->id,
            'key' => $row->key,
            'what' => $what,
            'before' => $what === 'restored' ? null : $this->documents->write($row, $this->setsOf($row)),
        ]);
    }

    public function remove(Client $client, Trainer $trainer, int $session): void
    {
        DB::transaction(function () use ($client, $trainer, $session): void {
            $row = SessionRow::query()->ofClient($client)->whereKey($session)->locked()->firstOrFail();
            $this->remember($client, $trainer, $row, 'removed');
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
            $body = new Node($was->before ?? []);
            $this->put($client, $trainer, $was->key, null, [...$this->documents->session($body), 'edited' => true], $this->documents->sets($body));
            $this->remember($client, $trainer, SessionRow::query()->ofStudio($client->studio_id)->where('key', $was->key)->firstOrFail(), 'restored');
        });
    }

    /** @return list<array<string, mixed>> logs that were removed and are not back, the newest first */
    public function removed(Client $client): array
    {
        $there = SessionRow::query()->ofClient($client)->pluck('key')->all();
        $removed = [];
        foreach (LogChange::query()->ofClient($client)->where('what', 'removed')->ordered('id', 'desc')->get()->take(20) as $change) {
            if (! in_array($change->key, $there, true) && ! isset($removed[$change->key])) {
                $before = new Node($change->before ?? []);
                $removed[$change->key] = ['change' => $change->id, 'on' => $before->string('on'), 'sets' => count($before->opaque('sets') ?? []), 'at' => $change->created_at->toIso8601String()];
            }
        }

        return array_values($removed);
    }
}
