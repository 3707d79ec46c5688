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
use App\Support\Happened;
use App\Support\StaleVersion;
use DateTimeImmutable;
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

    /** What may be said of a whole session. */
    private const SAID = ['soreness', 'pain_before', 'pain_next_day', 'pain_kind', 'effort', 'signs', 'readiness'];

    private readonly LogDocument $documents;

    public function __construct(
        private readonly DataFolder $data,
        private readonly RosterRows $roster,
        private readonly Spacing $spacing,
        private readonly Happened $happened,
        private readonly EvenOuts $evenOuts,
    ) {
        $this->documents = new LogDocument($data->library());
    }

    /**
     * Keeps a session. The same key is kept once, so that a log that is sent again doubles nothing; a log of a planned session that has one
     * of the same day already becomes one with it.
     *
     * @return bool whether it was new
     *
     * @throws UnusableInput at the field, or where the key belongs to another client
     * @throws StaleVersion where another log of the session says something else
     */
    public function add(Client $client, Trainer $trainer, Node $body): bool
    {
        $columns = $this->documents->session($body);
        $sets = $this->documents->sets($body);
        $key = $body->string('key');

        return $this->once(function () use ($client, $trainer, $key, $body, $columns, $sets): bool {
            if ($this->found($client, $key) !== null) {
                return false;
            }
            if (! self::saysAnything($columns, $sets)) {
                throw UnusableInput::at('/sets', 'nothing was done and nothing was said: that is no session');
            }
            $other = $this->otherOf($client, $key, $columns);
            if ($other === null) {
                $this->put($client, $trainer, $key, null, $columns, $sets);
            } else {
                $this->join($client, $trainer, $other, $body);
            }

            return $other === null;
        });
    }

    /**
     * Two that send the same new key at once: the second finds what the first has kept.
     *
     * @template T
     *
     * @param  callable(): T  $act
     * @return T
     */
    private function once(callable $act): mixed
    {
        try {
            return DB::transaction($act(...), self::TRIES);
        } catch (UniqueConstraintViolationException) {
            return DB::transaction($act(...), self::TRIES);
        }
    }

    /**
     * Whether a session was begun or anything was said of it: with neither it is none.
     *
     * @param  array<string, mixed>  $columns
     * @param  list<array<string, mixed>>  $sets
     */
    private static function saysAnything(array $columns, array $sets): bool
    {
        $said = array_filter(
            array_intersect_key($columns, array_flip(self::SAID)),
            static fn (mixed $value): bool => $value !== null && $value !== [],
        );

        return $said !== [] || array_filter(
            $sets,
            static fn (array $set): bool => $set['done'] > 0
                || $set['pain'] !== null
                || $set['pain_kind'] !== null
                || ($set['faults'] ?? []) !== []
                || $set['ended_by'] !== null,
        ) !== [];
    }

    /**
     * Another log of the same planned session on the same day.
     *
     * @param  array<string, mixed>  $columns
     */
    private function otherOf(Client $client, string $key, array $columns): ?SessionRow
    {
        return $columns['planned'] === null ? null : SessionRow::query()->ofClient($client)->where(
            'planned',
            $columns['planned'],
        )->where('on', $columns['on'])->where('key', '<>', $key)->ordered('id')->locked()->first();
    }

    /**
     * Writes what two logs of one session say into the one that is kept.
     *
     * @throws StaleVersion where they differ, unless the trainer takes the new one
     */
    private function join(Client $client, Trainer $trainer, SessionRow $kept, Node $body): void
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
            [...$this->documents->session($log, $kept->on), 'edited' => true, 'open' => false],
            $this->documents->sets($log),
        );
    }

    /** @throws UnusableInput where the key belongs to another client */
    private function found(Client $client, string $key): ?SessionRow
    {
        $row = SessionRow::query()->ofStudio($client->studio_id)->where('key', $key)->locked()->first();
        if ($row !== null && $row->client_id !== $client->id) {
            throw UnusableInput::at('/key', 'belongs to the log of another client');
        }

        return $row;
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
        $clock = DeviceClock::ofRun($body);
        $columns = [...$this->documents->session($body, $clock?->on), ...($clock?->columns() ?? [])];
        $sets = $this->documents->sets($body);
        $revision = $body->int('revision');

        return $this->once(function () use ($client, $trainer, $key, $body, $clock, $columns, $sets, $revision): int {
            $row = $this->found($client, $key);
            if (! $body->bool('over')) {
                if ($row === null && $this->wasRemoved($client, $key)) {
                    throw new StaleVersion(['removed' => true]);
                }
                if ($row?->edited === true) {
                    throw new StaleVersion(['log' => $this->documents->write($row, $this->setsOf($row))]);
                }
                if ($row !== null && $row->revision >= $revision) {
                    return $row->revision;
                }
            }
            if ($row === null && ! self::saysAnything($columns, $sets)) {
                return $revision;
            }
            $other = $body->bool('open') ? null : $this->otherOf($client, $key, $columns);
            if ($other !== null) {
                $this->join($client, $trainer, $other, $body);
                $row?->delete();

                return $revision;
            }
            if ($row?->edited === true) {
                $this->remember($client, $trainer, $row, 'edited');
            }
            if ($row === null) {
                $this->happened->about(
                    $clock === null ? (string) $columns['on'] : sprintf(
                        '%s; the clock of the device said %s',
                        $columns['on'],
                        $clock->says,
                    ),
                );
            }
            $this->put(
                $client,
                $trainer,
                $key,
                $row,
                [...$columns, 'revision' => $revision, 'open' => $body->bool('open'), 'edited' => false],
                $sets,
            );

            return $revision;
        });
    }

    /** Takes a run that is thrown away off the record; it can be put back. */
    public function throwAway(Client $client, Trainer $trainer, string $key): void
    {
        DB::transaction(function () use ($client, $trainer, $key): void {
            $row = $this->found($client, $key);
            if ($row !== null) {
                $this->remember($client, $trainer, $row, 'removed');
                $row->delete();
                $this->roster->forget($client);
            }
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
        $warning = $this->spacing->ofLog(
            $client,
            $sets,
            new DateTimeImmutable(is_string($columns['on']) ? $columns['on'] : 'today'),
            $row?->id,
        );
        $columns['warned'] = $warning === null ? null : [$warning];
        if ($row === null) {
            $row = SessionRow::query()->create(
                ['studio_id' => $client->studio_id, 'client_id' => $client->id, 'trainer_id' => $trainer?->id, 'key' => $key, ...$columns],
            );
        } else {
            $row->update($columns);
            SetRow::query()->ofClient($client)->where('logged_session_id', $row->id)->delete();
        }
        $of = ['studio_id' => $client->studio_id, 'client_id' => $client->id, 'logged_session_id' => $row->id, 'on' => $row->on];
        // thousands of them come in at once: as rows, not as a model each
        $rows = array_map(
            static fn (array $set): array => [
                ...array_map(static fn (mixed $value): mixed => is_array($value) ? json_encode($value) : $value, $set),
                ...$of,
            ],
            $sets,
        );
        $empty = array_fill_keys(array_keys(array_merge([], ...$rows)), null);
        SetRow::query()->insert(array_map(static fn (array $each): array => [...$empty, ...$each], $rows));
        $this->evenOuts->settle($client);
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
            'changes' => LogChange::query()->ofClient($client)->where(
                'key',
                $row->key,
            )->ordered('id', 'desc')->get()->map(static fn (LogChange $change): array => [
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
            $this->put(
                $client,
                $trainer,
                $row->key,
                $row,
                [
                    ...$columns,
                    ...array_filter(
                        [
                            'planned' => $columns['planned'] ?? $row->planned,
                            'signs' => $columns['signs'] ?? $row->signs,
                            'readiness' => $columns['readiness'] ?? $row->readiness,
                        ],
                        static fn (mixed $value): bool => $value !== null,
                    ),
                    'revision' => $row->revision + 1,
                    'edited' => true,
                    'open' => false,
                ],
                $sets,
            );
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
            if ($this->otherOf($client, $was->key, $this->documents->session($body)) !== null) {
                throw UnusableInput::at('/', 'another log of that session is there');
            }
            $this->put(
                $client,
                $trainer,
                $was->key,
                null,
                [...$this->documents->session($body), 'edited' => true],
                $this->documents->sets($body),
            );
            $this->remember(
                $client,
                $trainer,
                SessionRow::query()->ofStudio($client->studio_id)->where('key', $was->key)->firstOrFail(),
                'restored',
            );
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
                $removed[$change->key] = [
                    'change' => $change->id,
                    'on' => $before->string('on'),
                    'sets' => count($before->opaque('sets') ?? []),
                    'at' => $change->created_at->toIso8601String(),
                ];
            }
        }

        return array_values($removed);
    }
}
