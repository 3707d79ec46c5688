<?php

declare(strict_types=1);

namespace App\Copies;

use App\Models\Client;
use App\Models\Studio;
use Generator;
use Illuminate\Support\Facades\DB;

/**
 * Everything about one client, or about a studio, as one JSON document that can be read in again without loss: the same bytes come out
 * of what was read in. It holds no number of this database and not the moment it was written at. The list of what can be undone, passwords
 * and second factors stay behind.
 */
final class TakeOutDocument
{
    public const FORMAT = 'even-rungs/take-out';

    public const VERSION = 1;

    public const OF_CLIENT = 'client';

    public const OF_STUDIO = 'studio';

    /** Tables of a client, each row only of its own columns and who wrote it, in the order they were written in. */
    public const PLAIN = [
        'clearances', 'even_outs', 'events', 'line_checks', 'line_consents', 'log_changes', 'own_aims', 'standings', 'test_days',
    ];

    /** Tables of a studio's own things. */
    public const OWN = ['own_ladders', 'own_styles', 'own_words', 'session_templates'];

    /** @var array<string, string> address by id of whoever is met */
    private array $people = [];

    /** @var array<string, Rows> */
    private array $rows = [];

    public function client(Client $client): string
    {
        $this->people = [];
        $taken = $this->of($client);
        $text = (string) json_encode($taken);
        $own = array_map(
            fn (array $rows): array => array_values(array_filter($rows, static fn (array $row): bool => self::isMentioned($row, $text))),
            $this->own($client->studio_id, ['own_ladders', 'own_styles']),
        );

        return $this->written([
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'of' => self::OF_CLIENT,
            'people' => $this->people(array_keys($this->people), false),
            'own' => $own,
            'clients' => [$taken],
        ]);
    }

    public function studio(Studio $studio): string
    {
        return $this->written([...$this->head($studio), 'clients' => array_values(iterator_to_array($this->clients($studio)))]);
    }

    /** @return array<string, mixed> what a studio's take-out says before its clients */
    public function head(Studio $studio): array
    {
        $happened = array_map(
            fn (object $row): array => $this->row('events', $row),
            DB::table('events')->where('studio_id', $studio->id)->whereNull('client_id')->orderBy('id')->get()->all(),
        );

        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'of' => self::OF_STUDIO,
            'studio' => [...$studio->only(['name', 'emergency_steps', 'bands', 'kit']), 'settings' => $studio->only(Studio::SETTINGS)],
            'people' => $this->people(
                array_values(array_map(strval(...), DB::table('trainers')->where('studio_id', $studio->id)->pluck('id')->all())),
                true,
            ),
            'own' => $this->own($studio->id, self::OWN),
            'happened' => $happened,
        ];
    }

    /** @return Generator<string, array<string, mixed>> the clients by their numbers, in an order that rests on what they are alone */
    public function clients(Studio $studio): Generator
    {
        $named = Client::query()->ofStudio($studio->id)->get()->groupBy(static fn (Client $client): string => $client->name.' {')->all();
        ksort($named, SORT_STRING);
        foreach ($named as $alike) {
            $taken = [];
            foreach ($alike as $client) {
                $taken[$client->id] = $this->of($client);
            }
            count($taken) > 1 && uasort($taken, static fn (array $a, array $b): int => json_encode($a) <=> json_encode($b));
            yield from $taken;
        }
    }

    /** @return array<string, mixed> */
    private function of(Client $client): array
    {
        $all = static fn (string $table): array => DB::table($table)->where('client_id', $client->id)->orderBy('id')->get()->all();
        $programs = $all('programs');
        usort(
            $programs,
            static fn (object $a, object $b): int => [
                $a->created_at,
                $a->current,
                $a->document,
            ] <=> [$b->created_at, $b->current, $b->document],
        );
        $place = array_flip(array_column($programs, 'id'));
        $sessions = $all('logged_sessions');
        $keys = array_column($sessions, 'key', 'id');
        $sets = [];
        foreach ($all('logged_sets') as $set) {
            $sets[$set->logged_session_id][] = $this->row('logged_sets', $set);
        }
        $taken = [
            'client' => $this->row('clients', DB::table('clients')->where('id', $client->id)->sole()),
            'trainers' => array_map(
                $this->address(...),
                DB::table('client_trainer')->where('client_id', $client->id)->pluck('trainer_id')->all(),
            ),
            'programs' => array_map(fn (object $row): array => $this->row('programs', $row), $programs),
            'screens' => array_map(function (object $row) use ($place): array {
                $written = $this->row('screens', $row);
                foreach ($written['touched'] as $each) {
                    $each->program = $place[$each->program] ?? null;
                }

                return $written;
            }, $all('screens')),
            'logs' => array_map(
                fn (object $row): array => $this->row('logged_sessions', $row, ['sets' => $sets[$row->id] ?? []]),
                $sessions,
            ),
            'verdict_answers' => array_map(function (object $row) use ($keys): array {
                [$id, $revision] = [...explode(':', (string) $row->log, 2), null];

                return $this->row(
                    'verdict_answers',
                    $row,
                    ['log' => isset($keys[$id]) ? ['key' => $keys[$id], 'revision' => (int) $revision] : null],
                );
            }, $all('verdict_answers')),
        ];
        sort($taken['trainers']);
        foreach (self::PLAIN as $table) {
            $taken[$table] = array_map(fn (object $row): array => $this->row($table, $row), $all($table));
        }

        return $taken;
    }

    /**
     * @param  list<string>  $tables
     * @return array<string, list<array<string, mixed>>>
     */
    private function own(string $studio, array $tables): array
    {
        $own = [];
        foreach ($tables as $table) {
            $own[$table] = array_values(
                array_map(
                    fn (object $row): array => $this->row($table, $row),
                    DB::table($table)->where('studio_id', $studio)->orderBy('id')->get()->all(),
                ),
            );
        }

        return $own;
    }

    /**
     * @param  list<string>  $ids
     * @param  bool  $withState  whether they can sign in
     * @return list<array<string, mixed>>
     */
    private function people(array $ids, bool $withState): array
    {
        return array_values(array_map(static fn (object $each): array => [
            'email' => $each->email,
            'name' => $each->name,
            'role' => $each->role,
            ...($withState ? ['disabled' => $each->disabled_at !== null] : []),
        ], DB::table('trainers')->whereIn('id', $ids)->orderBy('email')->get()->all()));
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private function row(string $table, object $row, array $more = []): array
    {
        if (property_exists($row, 'trainer_id')) {
            $more['by'] = $row->trainer_id === null ? null : $this->address($row->trainer_id);
        }

        return ($this->rows[$table] ??= self::rowsOf($table))->write($row, $more);
    }

    public static function rowsOf(string $table): Rows
    {
        return new Rows(
            $table,
            ['trainer_id', ...($table === 'logged_sets' ? ['logged_session_id'] : []), ...($table === 'verdict_answers' ? ['log'] : [])],
        );
    }

    private function address(string $id): string
    {
        return $this->people[$id] ??= (string) DB::table('trainers')->where('id', $id)->value('email');
    }

    /** @param  array<string, mixed>  $row  an own ladder or style */
    private static function isMentioned(array $row, string $text): bool
    {
        $document = json_decode((string) json_encode($row['document']), true);
        $ids = [$row['ladder'] ?? $row['style'], ...array_column($document['rungs'] ?? [], 'id')];

        return array_filter($ids, static fn (string $id): bool => str_contains($text, json_encode($id).'')) !== [];
    }

    /** @param  array<string, mixed>  $document */
    private function written(array $document): string
    {
        return json_encode(
            $document,
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        )."\n";
    }
}
