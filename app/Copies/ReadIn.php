<?php

declare(strict_types=1);

namespace App\Copies;

use App\Accounts\Role;
use App\Http\Progress;
use App\Library\StudioTables;
use App\Models\Client;
use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Reads a take-out in: all of it, or nothing.
 */
final class ReadIn
{
    private ReadInRows $in;

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
     * A whole studio beside those that are there. Nobody can sign in before they chose a new password.
     *
     * @throws UnusableInput naming what cannot be used
     */
    public function studio(string $text): Studio
    {
        $document = TakenOutDocument::read($text, TakeOutDocument::OF_STUDIO);

        return $this->whole($document, TakenOutDocument::list($document, 'clients'));
    }

    /**
     * @param  array<string, mixed>  $document  without its clients
     * @param  iterable<int|string, array<string, mixed>>  $clients
     * @param  ?string  $studio  its number, where it is one that comes from another database, and so are the keys of the clients theirs
     * @param  array<string, string>  $same  likewise those of its people, by address
     *
     * @throws UnusableInput naming what cannot be used
     */
    public function whole(array $document, iterable $clients, ?string $studio = null, array $same = []): Studio
    {
        return $this->once(function () use ($document, $clients, $studio, $same): Studio {
            $of = (array) ($document['studio'] ?? []);
            $read = Studio::query()->forceCreate(
                array_filter(['id' => $studio]) + [
                    'name' => TakenOutDocument::text($of, 'name', 200),
                    'emergency_steps' => $of['emergency_steps'] ?? null,
                    'bands' => TakenOutDocument::bands($of['bands'] ?? null),
                    'kit' => TakenOutDocument::kit($of['kit'] ?? null, $this->data->library()),
                    ...array_intersect_key(array_map(strval(...), (array) ($of['settings'] ?? [])), array_flip(Studio::SETTINGS)),
                ],
            );
            $people = ReadInPeople::of($document, $read->id, $same);
            $this->ownThings($document, $read->id, TakeOutDocument::OWN, false);
            foreach (TakenOutDocument::list($document, 'happened') as $i => $event) {
                $this->in->insert('events', $event, "/happened/{$i}", ['studio_id' => $read->id, 'client_id' => null], $people);
            }
            $owner = Trainer::query()->ofStudio($read->id)->where('role', Role::Owner)->first() ?? throw UnusableInput::at(
                '/people',
                'nobody of them owns the studio',
            );
            Auth::setUser($owner);
            $this->tables->changed();
            foreach ($clients as $i => $each) {
                OpensEverywhere::check($this->read($each, "/clients/{$i}", $read->id, $people, $studio === null ? null : (string) $i));
            }

            return $read;
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
        $this->in = new ReadInRows;
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
                    $this->in->insert($table, $each, "/own/{$table}/{$i}", ['studio_id' => $studio], []);
                } elseif (json_decode((string) $there->document) != ($each['document'] ?? null)) {
                    throw UnusableInput::at(
                        "/own/{$table}/{$i}",
                        sprintf('the studio has a "%s" of its own that is not the same', TakenOutDocument::text($each, $key, 200)),
                    );
                }
            }
        }
        $this->in->stop();
    }

    /**
     * @param  array<string, mixed>  $taken
     * @param  array<string, string>  $people
     */
    private function read(array $taken, string $path, string $studio, array $people, ?string $id = null): Client
    {
        $id ??= strtolower((string) Str::ulid());
        $whose = ['studio_id' => $studio, 'client_id' => $id];
        $this->in->insert('clients', (array) ($taken['client'] ?? []), $path.'/client', ['id' => $id, 'studio_id' => $studio], $people);
        $this->in->stop();
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
            $this->in->insert('programs', $each, "{$path}/programs/{$i}", ['id' => $program, ...$whose], $people);
        }
        foreach (TakenOutDocument::list($taken, 'screens') as $i => $each) {
            $each['touched'] = array_map(
                static fn (array $touched): array => [
                    ...$touched,
                    'program' => $programs[is_int($touched['program'] ?? null) ? $touched['program'] : -1] ?? '',
                ],
                TakenOutDocument::list($each, 'touched'),
            );
            $this->in->insert('screens', $each, "{$path}/screens/{$i}", $whose, $people);
        }
        $logs = [];
        $written = TakenOutDocument::list($taken, 'logs');
        foreach ($written as $i => $each) {
            $this->progress->came($i, count($written));
            $log = $this->in->insert('logged_sessions', $each, "{$path}/logs/{$i}", $whose, $people);
            $logs[(string) ($each['key'] ?? '')] = $log;
            $sets = [];
            foreach (TakenOutDocument::list($each, 'sets') as $j => $set) {
                $of = [...$whose, 'logged_session_id' => $log];
                $sets[] = $this->in->row('logged_sets', $set, "{$path}/logs/{$i}/sets/{$j}", $of, $people);
            }
            $log !== 0 && DB::table('logged_sets')->insert(array_filter($sets));
        }
        foreach (TakenOutDocument::list($taken, 'verdict_answers') as $i => $each) {
            $log = (array) ($each['log'] ?? []);
            $number = is_string($log['key'] ?? null) ? $logs[$log['key']] ?? null : null;
            $this->in->insert(
                'verdict_answers',
                $each,
                "{$path}/verdict_answers/{$i}",
                [...$whose, 'log' => $number === null ? null : $number.':'.(is_int($log['revision'] ?? null) ? $log['revision'] : 0)],
                $people,
            );
        }
        foreach (TakeOutDocument::PLAIN as $table) {
            foreach (TakenOutDocument::list($taken, $table) as $i => $each) {
                $this->in->insert($table, $each, "{$path}/{$table}/{$i}", $whose, $people);
            }
        }
        $this->in->stop();

        return Client::query()->whereKey($whose['client_id'])->firstOrFail();
    }
}
