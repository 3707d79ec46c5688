<?php

declare(strict_types=1);

namespace App\Copies;

use App\Accounts\Address;
use App\Accounts\Role;
use App\Accounts\Studios;
use App\Http\Body;
use App\Http\Progress;
use App\Library\StudioTables;
use App\Models\Client;
use App\Models\Studio;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use App\Progress\EvennessPage;
use App\Today\LogPage;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\Problem;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\Schemas;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Throwable;

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
        $document = $this->document($text, TakeOut::OF_CLIENT);

        return $this->once(function () use ($by, $document): Client {
            $people = $this->people($document, $by->studio_id);
            $this->own($document, $by->studio_id, ['own_ladders', 'own_styles'], true);
            $this->tables->changed();
            $clients = self::list($document, 'clients');
            if (count($clients) !== 1) {
                throw UnusableInput::at('/clients', 'a take-out of a client holds exactly one');
            }
            $client = $this->read($clients[0], '/clients/0', $by->studio_id, $people);
            if (! $client->trainers()->whereKey($by->id)->exists() && $by->role !== Role::Owner) {
                $client->belongsWith($by);
            }
            $this->checkThatItOpens($client);

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
        $document = $this->document($text, TakeOut::OF_STUDIO);

        return $this->once(function () use ($document): Studio {
            $of = (array) ($document['studio'] ?? []);
            $studio = Studio::query()->create(
                [
                    'name' => self::text($of, 'name', 200),
                    'emergency_steps' => $of['emergency_steps'] ?? null,
                    'bands' => self::bands($of['bands'] ?? null),
                    'kit' => $this->kit($of['kit'] ?? null),
                    ...array_intersect_key(array_map(strval(...), (array) ($of['settings'] ?? [])), array_flip(Studio::SETTINGS)),
                ],
            );
            $people = $this->people($document, $studio->id);
            $this->own($document, $studio->id, TakeOut::OWN, false);
            foreach (self::list($document, 'happened') as $i => $event) {
                $this->insert('events', $event, "/happened/{$i}", ['studio_id' => $studio->id, 'client_id' => null], $people);
            }
            $owner = Trainer::query()->ofStudio($studio->id)->where('role', Role::Owner)->first() ?? throw UnusableInput::at(
                '/people',
                'nobody of them owns the studio',
            );
            Auth::setUser($owner);
            $this->tables->changed();
            foreach (self::list($document, 'clients') as $i => $each) {
                $this->checkThatItOpens($this->read($each, "/clients/{$i}", $studio->id, $people));
            }

            return $studio;
        });
    }

    /**
     * @return list<array<string, mixed>>|null
     *
     * @throws UnusableInput
     */
    private static function bands(mixed $written): ?array
    {
        return $written === null ? null : Studios::bands(self::checked('BandsRequest', ['bands' => $written]));
    }

    /**
     * @return array<string, ?int>|null
     *
     * @throws UnusableInput
     */
    private function kit(mixed $written): ?array
    {
        return $written === null ? null : Studios::kit(self::checked('KitRequest', ['kit' => $written]), $this->data->library());
    }

    /**
     * @param  array<string, mixed>  $document
     *
     * @throws UnusableInput where it is not what the API takes
     */
    private static function checked(string $schema, array $document): Node
    {
        $problems = Schemas::checkUri(Body::COMPONENTS.$schema, (object) $document);

        return $problems === [] ? new Node(Json::toArray((object) $document)) : throw new UnusableInput($problems);
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
        try {
            return DB::transaction($read(...));
        } catch (UniqueConstraintViolationException) {
            throw UnusableInput::at(
                '/clients/0/logs',
                'logs of this file are here already: the same client was read in before, or comes from this studio',
            );
        }
    }

    /** @return array<string, mixed> */
    private function document(string $text, string $of): array
    {
        $document = get_object_vars(Json::decode($text));
        if (($document['format'] ?? null) !== TakeOut::FORMAT || ($document['version'] ?? null) !== TakeOut::VERSION) {
            throw UnusableInput::at('/format', sprintf('must be %s, version %d', TakeOut::FORMAT, TakeOut::VERSION));
        }
        if (($document['of'] ?? null) !== $of) {
            throw UnusableInput::at('/of', sprintf('must be "%s" here', $of));
        }
        $this->problems = [];

        return $document;
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, string> id by address
     */
    private function people(array $document, string $studio): array
    {
        $ids = [];
        foreach (self::list($document, 'people') as $i => $each) {
            $email = Address::clean(self::text($each, 'email', 200));
            $role = Role::tryFrom(is_string($each['role'] ?? null) ? $each['role'] : '') ?? throw UnusableInput::at(
                "/people/{$i}/role",
                'must be owner, trainer or reader',
            );
            $known = Trainer::query()->where('email', $email)->first();
            if ($known?->studio_id === $studio) {
                $ids[$email] = $known->id;

                continue;
            }
            // an address belongs to one account of the machine: in another studio the name alone is kept
            $ids[$email] = Trainer::query()->create([
                'studio_id' => $studio,
                'name' => self::text($each, 'name', 200),
                'email' => $known === null ? $email : Str::ulid()->toBase32().'@read-in.invalid',
                'password' => bin2hex(random_bytes(32)),
                'role' => $role,
                // who only wrote something of a client is nobody who works here
                'disabled_at' => ($each['disabled'] ?? true) !== false || $known !== null ? Carbon::now() : null,
            ])->id;
        }

        return $ids;
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  list<string>  $tables
     * @param  bool  $mayBeThere  whether the studio may have the same already
     */
    private function own(array $document, string $studio, array $tables, bool $mayBeThere): void
    {
        $own = (array) ($document['own'] ?? []);
        foreach ($tables as $table) {
            $key = ['own_ladders' => 'ladder', 'own_styles' => 'style', 'own_words' => 'key', 'session_templates' => 'name'][$table];
            foreach (self::list($own, $table) as $i => $each) {
                $there = $mayBeThere ? DB::table($table)->where('studio_id', $studio)->where(
                    $key,
                    self::text($each, $key, 200),
                )->first() : null;
                if ($there === null) {
                    $this->insert($table, $each, "/own/{$table}/{$i}", ['studio_id' => $studio], []);
                } elseif (json_decode((string) $there->document) != ($each['document'] ?? null)) {
                    throw UnusableInput::at(
                        "/own/{$table}/{$i}",
                        sprintf('the studio has a "%s" of its own that is not the same', self::text($each, $key, 200)),
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
    private function read(array $taken, string $path, string $studio, array $people): Client
    {
        $of = (array) ($taken['client'] ?? []);
        $id = (string) Str::ulid();
        $whose = ['studio_id' => $studio, 'client_id' => strtolower($id)];
        $this->insert('clients', $of, $path.'/client', ['id' => strtolower($id), 'studio_id' => $studio], $people);
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
        foreach (self::list($taken, 'programs') as $i => $each) {
            $programs[] = $program = strtolower((string) Str::ulid());
            $this->insert('programs', $each, "{$path}/programs/{$i}", ['id' => $program, ...$whose], $people);
        }
        foreach (self::list($taken, 'screens') as $i => $each) {
            $each['touched'] = array_map(
                static fn (array $touched): array => [
                    ...$touched,
                    'program' => $programs[is_int($touched['program'] ?? null) ? $touched['program'] : -1] ?? '',
                ],
                self::list($each, 'touched'),
            );
            $this->insert('screens', $each, "{$path}/screens/{$i}", $whose, $people);
        }
        $logs = [];
        $written = self::list($taken, 'logs');
        foreach ($written as $i => $each) {
            $this->progress->came($i, count($written));
            $log = $this->insert('logged_sessions', $each, "{$path}/logs/{$i}", $whose, $people);
            $logs[(string) ($each['key'] ?? '')] = $log;
            foreach (self::list($each, 'sets') as $j => $set) {
                $this->insert('logged_sets', $set, "{$path}/logs/{$i}/sets/{$j}", [...$whose, 'logged_session_id' => $log], $people);
            }
        }
        foreach (self::list($taken, 'verdict_answers') as $i => $each) {
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
        foreach (TakeOut::PLAIN as $table) {
            foreach (self::list($taken, $table) as $i => $each) {
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
        $row = ($this->rows[$table] ??= TakeOut::rowsOf($table))->read($written, $path, $this->problems);
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

    /** Whatever a page of the client would stumble over is found here, before it is kept. */
    private function checkThatItOpens(Client $client): void
    {
        try {
            app(BoardLoader::class)->load($client);
            app(LogPage::class)->of($client);
            app(EvennessPage::class)->of($client);
        } catch (UnusableInput $e) {
            throw $e;
        } catch (Throwable $e) {
            $why = $e instanceof InvalidValue ? $e->sentence : 'something in it is not as it is written today';
            throw UnusableInput::at('/clients', sprintf('%s cannot be opened with this: %s', $client->name, $why));
        }
    }

    /**
     * @param  array<string, mixed>  $of
     * @return list<array<string, mixed>>
     */
    private static function list(array $of, string $key): array
    {
        $list = $of[$key] ?? [];
        if (! is_array($list) || array_filter($list, static fn (mixed $each): bool => ! is_object($each)) !== []) {
            throw UnusableInput::at('/'.$key, 'must be a list of objects');
        }

        return array_map(get_object_vars(...), array_values($list));
    }

    /** @param  array<string, mixed>  $of */
    private static function text(array $of, string $key, int $most): string
    {
        $value = $of[$key] ?? null;

        return is_string($value) && trim($value) !== '' && mb_strlen($value) <= $most ? $value : throw UnusableInput::at(
            '/'.$key,
            sprintf('must be text of 1 to %d characters', $most),
        );
    }
}
