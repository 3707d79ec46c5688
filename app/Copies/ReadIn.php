<?php

declare(strict_types=1);

namespace App\Copies;

use App\Accounts\Role;
use App\Http\Progress;
use App\Library\StudioTables;
use App\Models\Client;
use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Formats\Problem;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\Schemas;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Reads a take-out in: all of it, or nothing.
 */
final class ReadIn
{
    private const MOST_PROBLEMS = 50;

    /** The schema of a table's documents. */
    private const SCHEMAS = [
        'clients' => 'client',
        'own_ladders' => 'ladder',
        'own_styles' => 'style',
        'programs' => 'program',
        'session_templates' => 'session',
    ];

    /** @var array<string, Rows> */
    private array $rows = [];

    /** @var list<Problem> */
    private array $problems = [];

    public function __construct(
        private readonly StudioTables $tables,
        private readonly Progress $progress,
        private readonly DataFolder $data,
    ) {
    }

    /**
     * One client into a studio that is there.
     *
     * @throws UnusableInput naming what cannot be used
     */
    public function client(Trainer $by, string $text): Client
    {
        $document = TakenOutDocument::read($text, TakeOutDocument::OF_CLIENT);

        return $this->once(function () use ($by, $document): Client {
            $people = ReadInPeople::of($document, $by->studio_id);
            $this->ownThings($document, $by->studio_id, ['own_ladders', 'own_styles'], true);
            $this->tables->changed();
            $clients = TakenOutDocument::list($document, 'clients');
            if (count($clients) !== 1) {
                throw UnusableInput::at('/clients', 'a take-out of a client holds exactly one');
            }
            $client = $this->read($clients[0], '/clients/0', $by->studio_id, $people);
            if (! $client->trainers()->whereKey($by->id)->exists() && $by->role !== Role::Owner) {
                $client->belongsWith($by);
            }
            OpensEverywhere::check($client);

            return $client;
        });
    }

    /**
     * A whole studio beside those that are there, or the same that comes from another database. Nobody can sign in before they chose a
     * new password.
     *
     * @throws UnusableInput naming what cannot be used
     */
    public function studio(string $text, ?SameIds $same = null): Studio
    {
        $document = TakenOutDocument::read($text, TakeOutDocument::OF_STUDIO);

        return $this->once(function () use ($document, $same): Studio {
            $of = (array) ($document['studio'] ?? []);
            $studio = Studio::query()->forceCreate(
                array_filter(['id' => $same?->studio]) + [
                    'name' => TakenOutDocument::text($of, 'name', 200),
                    'emergency_steps' => $of['emergency_steps'] ?? null,
                    'bands' => TakenOutDocument::bands($of['bands'] ?? null),
                    'kit' => TakenOutDocument::kit($of['kit'] ?? null, $this->data->library()),
                    ...array_intersect_key(array_map(strval(...), (array) ($of['settings'] ?? [])), array_flip(Studio::SETTINGS)),
                ],
            );
            $people = ReadInPeople::of($document, $studio->id, $same->people ?? []);
            $this->ownThings($document, $studio->id, TakeOutDocument::OWN, false);
            foreach (TakenOutDocument::list($document, 'happened') as $i => $event) {
                $this->insert('events', $event, "/happened/{$i}", ['studio_id' => $studio->id, 'client_id' => null], $people);
            }
            $owner = Trainer::query()->ofStudio($studio->id)->where('role', Role::Owner)->first() ?? throw UnusableInput::at(
                '/people',
                'nobody of them owns the studio',
            );
            Auth::setUser($owner);
            $this->tables->changed();
            foreach (TakenOutDocument::list($document, 'clients') as $i => $each) {
                OpensEverywhere::check($this->read($each, "/clients/{$i}", $studio->id, $people, $same?->clients[$i] ?? null));
            }

            return $studio;
        });
    }

    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     *
     * @throws UnusableInput
     */
    private function once(callable $read): mixed
    {
        $this->problems = [];
        try {
            return DB::transaction($read(...));
        } catch (UniqueConstraintViolationException) {
            throw UnusableInput::at(
                '/clients/0/logs',
                'logs of this file are here already: the same client was read in before, or comes from this studio',
            );
        }
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  list<string>  $tables
     * @param  bool  $mayBeThere  whether the studio may have the same already
     */
    private function ownThings(array $document, string $studio, array $tables, bool $mayBeThere): void
    {
        $own = (array) ($document['own'] ?? []);
        foreach ($tables as $table) {
            $key = ['own_ladders' => 'ladder', 'own_styles' => 'style', 'own_words' => 'key', 'session_templates' => 'name'][$table];
            foreach (TakenOutDocument::list($own, $table) as $i => $each) {
                $there = $mayBeThere ? DB::table($table)->where('studio_id', $studio)->where(
                    $key,
                    TakenOutDocument::text($each, $key, 200),
                )->first() : null;
                if ($there === null) {
                    $this->insert($table, $each, "/own/{$table}/{$i}", ['studio_id' => $studio], []);
                } elseif (json_decode((string) $there->document) != ($each['document'] ?? null)) {
                    throw UnusableInput::at(
                        "/own/{$table}/{$i}",
                        sprintf('the studio has a "%s" of its own that is not the same', TakenOutDocument::text($each, $key, 200)),
                    );
                }
            }
        }
        $this->stop();
    }

    /**
     * @param  array<string, mixed>  $taken
     * @param  array<string, string>  $people
     */
    private function read(array $taken, string $path, string $studio, array $people, ?string $id = null): Client
    {
        $id ??= strtolower((string) Str::ulid());
        $whose = ['studio_id' => $studio, 'client_id' => $id];
        $this->insert('clients', (array) ($taken['client'] ?? []), $path.'/client', ['id' => $id, 'studio_id' => $studio], $people);
        $this->stop();
        foreach (array_unique(array_filter((array) ($taken['trainers'] ?? []), is_string(...))) as $email) {
            DB::table('client_trainer')->insert(
                [
                    'client_id' => $whose['client_id'],
                    'trainer_id' => $people[$email] ?? throw UnusableInput::at(
                        $path.'/trainers',
                        sprintf('"%s" is none of the people', $email),
                    ),
                    'studio_id' => $studio,
                ],
            );
        }
        $programs = [];
        foreach (TakenOutDocument::list($taken, 'programs') as $i => $each) {
            $programs[] = $program = strtolower((string) Str::ulid());
            $this->insert('programs', $each, "{$path}/programs/{$i}", ['id' => $program, ...$whose], $people);
        }
        foreach (TakenOutDocument::list($taken, 'screens') as $i => $each) {
            $each['touched'] = array_map(
                static fn (array $touched): array => [
                    ...$touched,
                    'program' => $programs[is_int($touched['program'] ?? null) ? $touched['program'] : -1] ?? '',
                ],
                TakenOutDocument::list($each, 'touched'),
            );
            $this->insert('screens', $each, "{$path}/screens/{$i}", $whose, $people);
        }
        $logs = [];
        $written = TakenOutDocument::list($taken, 'logs');
        foreach ($written as $i => $each) {
            $this->progress->came($i, count($written));
            $log = $this->insert('logged_sessions', $each, "{$path}/logs/{$i}", $whose, $people);
            $logs[(string) ($each['key'] ?? '')] = $log;
            foreach (TakenOutDocument::list($each, 'sets') as $j => $set) {
                $this->insert('logged_sets', $set, "{$path}/logs/{$i}/sets/{$j}", [...$whose, 'logged_session_id' => $log], $people);
            }
        }
        foreach (TakenOutDocument::list($taken, 'verdict_answers') as $i => $each) {
            $log = (array) ($each['log'] ?? []);
            $number = is_string($log['key'] ?? null) ? $logs[$log['key']] ?? null : null;
            $this->insert(
                'verdict_answers',
                $each,
                "{$path}/verdict_answers/{$i}",
                [...$whose, 'log' => $number === null ? null : $number.':'.(is_int($log['revision'] ?? null) ? $log['revision'] : 0)],
                $people,
            );
        }
        foreach (TakeOutDocument::PLAIN as $table) {
            foreach (TakenOutDocument::list($taken, $table) as $i => $each) {
                $this->insert($table, $each, "{$path}/{$table}/{$i}", $whose, $people);
            }
        }
        $this->stop();

        return Client::query()->whereKey($whose['client_id'])->firstOrFail();
    }

    /**
     * @param  array<string, mixed>  $written
     * @param  array<string, mixed>  $whose
     * @param  array<string, string>  $people
     */
    private function insert(string $table, array $written, string $path, array $whose, array $people): int
    {
        $before = count($this->problems);
        $row = ($this->rows[$table] ??= TakeOutDocument::rowsOf($table))->read($written, $path, $this->problems);
        if (isset(self::SCHEMAS[$table]) && is_object($written['document'] ?? null)) {
            $this->problems = [
                ...$this->problems,
                ...array_map(
                    static fn (Problem $each): Problem => new Problem($path.'/document'.$each->path, $each->message),
                    Schemas::check(self::SCHEMAS[$table], $written['document']),
                ),
            ];
        }
        if (array_key_exists('by', $written)) {
            $by = $written['by'];
            $row['trainer_id'] = $by === null ? null : $people[is_string($by) ? $by : ''] ?? throw UnusableInput::at(
                $path.'/by',
                'is none of the people',
            );
        }
        if (count($this->problems) > self::MOST_PROBLEMS) {
            $this->stop();
        }

        return count($this->problems) > $before ? 0 : DB::table($table)->insertGetId([...$row, ...$whose]);
    }

    /** @throws UnusableInput where something was wrong so far */
    private function stop(): void
    {
        if ($this->problems !== []) {
            throw new UnusableInput($this->problems);
        }
    }
}
