<?php

declare(strict_types=1);

namespace App\Today;

use App\Clients\RosterRows;
use App\Models\Client;
use App\Models\LogChange;
use App\Models\LoggedSession as SessionRow;
use App\Models\LoggedSet as SetRow;
use App\Models\Trainer;
use App\Progress\EvenOuts;
use App\Support\StaleVersion;
use EvenRungs\Formats\JoinedLog;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/**
 * What was really done, kept with every change that was made to it since.
 */
final class Logs
{
    /** A deadlock is tried again. */
    private const TRIES = 3;

    public readonly LogDocument $documents;

    public function __construct(
        private readonly DataFolder $data,
        private readonly RosterRows $roster,
        private readonly Spacing $spacing,
        private readonly EvenOuts $evenOuts,
    ) {
        $this->documents = new LogDocument($data->library());
    }

    /**
     * Two that send the same new key at once: the second finds what the first has kept.
     *
     * @template T
     *
     * @param  callable(): T  $act
     * @return T
     */
    public function once(callable $act): mixed
    {
        try {
            return DB::transaction($act(...), self::TRIES);
        } catch (UniqueConstraintViolationException) {
            return DB::transaction($act(...), self::TRIES);
        }
    }

    /** Another log of the same planned session on the same day. */
    public function otherOf(Client $client, string $key, LogRows $rows): ?SessionRow
    {
        return $rows->planned() === null ? null : SessionRow::query()->ofClient($client)->where(
            'planned',
            $rows->planned(),
        )->where('on', $rows->on())->where('key', '<>', $key)->ordered('id')->locked()->first();
    }

    /**
     * Writes what two logs of one session say into the one that is kept.
     *
     * @throws StaleVersion where they differ, unless the trainer takes the new one
     */
    public function join(Client $client, Trainer $trainer, SessionRow $kept, Node $body): void
    {
        $mine = $body->all();
        $joined = JoinedLog::of($this->documents->write($kept, $this->setsOf($kept)), $mine);
        if ($joined->log === null && ! $body->bool('over')) {
            throw new StaleVersion(['log' => $this->documents->write($kept, $this->setsOf($kept)), 'differences' => $joined->differences]);
        }
        $log = new Node(
            [...$joined->log ?? array_diff_key($mine, array_flip(['over', 'revision', 'open', 'device_time'])), 'key' => $kept->key],
        );
        $this->remember($client, $trainer, $kept, 'edited');
        $this->put(
            $client,
            $trainer,
            $kept->key,
            $kept,
            $this->documents->read($log, $kept->on)->with(['edited' => true, 'open' => false]),
        );
    }

    /** @throws UnusableInput where the key belongs to another client */
    public function found(Client $client, string $key): ?SessionRow
    {
        $row = SessionRow::query()->ofStudio($client->studio_id)->where('key', $key)->locked()->first();
        if ($row !== null && $row->client_id !== $client->id) {
            throw UnusableInput::at('/key', 'belongs to the log of another client');
        }

        return $row;
    }

    /** Writes a log, and what follows from it. */
    public function put(Client $client, ?Trainer $trainer, string $key, ?SessionRow $row, LogRows $rows): void
    {
        $warning = $this->spacing->ofLog(
            $client,
            $rows,
            $row?->id,
        );
        $columns = $rows->with(['warned' => $warning === null ? null : [$warning]])->session;
        if ($row === null) {
            $row = SessionRow::query()->create(
                ['studio_id' => $client->studio_id, 'client_id' => $client->id, 'trainer_id' => $trainer?->id, 'key' => $key, ...$columns],
            );
        } else {
            $row->update($columns);
        }
        $this->putSets($row, $rows);
        $this->evenOuts->settle($client);
        $this->roster->forget($client);
    }

    /** Writes the sets of a log; those that are as they were stay untouched. A run is sent after every set of it. */
    private function putSets(SessionRow $row, LogRows $rows): void
    {
        $of = ['studio_id' => $row->studio_id, 'client_id' => $row->client_id, 'logged_session_id' => $row->id, 'on' => $row->on];
        // thousands of them come in at once: as rows, not as a model each
        $new = array_map(
            static fn (array $set): array => [
                ...array_map(static fn (mixed $value): mixed => is_array($value) ? json_encode($value) : $value, $set),
                ...$of,
            ],
            $rows->sets,
        );
        $was = SetRow::query()->ofStudio($row->studio_id)->where('logged_session_id', $row->id)->ordered('id')->toBase()->get()->all();
        foreach (array_slice($new, 0, count($was)) as $i => $set) {
            $changed = array_filter(
                [...array_fill_keys(array_keys(array_diff_key((array) $was[$i], ['id' => 0])), null), ...$set],
                static fn (mixed $value, string $column): bool => ! self::isAsStored($value, $was[$i]->{$column}),
                ARRAY_FILTER_USE_BOTH,
            );
            if ($changed !== []) {
                SetRow::query()->whereKey($was[$i]->id)->update($changed);
            }
        }
        $gone = array_column(array_slice($was, count($new)), 'id');
        if ($gone !== []) {
            SetRow::query()->ofStudio($row->studio_id)->among('id', $gone)->delete();
        }
        $added = array_slice($new, count($was));
        $empty = array_fill_keys(array_keys(array_merge([], ...$added)), null);
        SetRow::query()->insert(array_map(static fn (array $each): array => [...$empty, ...$each], $added));
    }

    /** Whether a value is what the database gives back for it: numbers by what they are worth. */
    private static function isAsStored(mixed $value, mixed $stored): bool
    {
        return is_int($value) || is_float($value) || is_bool($value)
            ? is_numeric($stored) && (float) $value === (float) $stored
            : $value === $stored;
    }

    /** @return Collection<int, SetRow> in the order of the floor */
    public function setsOf(SessionRow $row): Collection
    {
        return SetRow::query()->ofStudio($row->studio_id)->where('logged_session_id', $row->id)->ordered('id')->get();
    }

    /**
     * Keeps a log as it was. What a log of the client's own stopped stays until a clearance, whatever becomes of it.
     *
     * @param  ?string  $reason  why a log of the client's own is taken back
     */
    public function remember(Client $client, Trainer $trainer, SessionRow $row, string $what, ?string $reason = null): void
    {
        LogChange::query()->create([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'trainer_id' => $trainer->id,
            'key' => $row->key,
            'what' => $what,
            'before' => $what === 'restored' ? null : $this->documents->write($row, $this->setsOf($row)),
            'reason' => $reason,
            'stops' => $row->origin === SessionRow::BY_CLIENT ? LoggedPain::ofLog($row) : null,
        ]);
    }
}
