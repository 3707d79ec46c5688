<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Accounts\Role;
use App\Models\Client;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use App\Today\VerdictsView;
use EvenRungs\Storage\Schemas;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * A database of an older day is brought up to today's schema, loses nothing and can be worked with.
 */
final class MigrationTest extends TestCase
{
    public function createApplication(): Application
    {
        return HttpTestCase::application();
    }

    /** @return iterable<string, array{string}> */
    public static function dumps(): iterable
    {
        foreach (glob(dirname(__DIR__).'/Migrations/*.sql.gz') ?: [] as $file) {
            yield basename($file, '.sql.gz') => [$file];
        }
    }

    #[DataProvider('dumps')]
    public function test_an_older_database_is_brought_up_and_loses_nothing(string $file): void
    {
        DB::statement('DROP DATABASE IF EXISTS even_rungs_older');
        DB::statement('CREATE DATABASE even_rungs_older CHARACTER SET utf8mb4');
        config(
            [
                'database.connections.older' => [...config('database.connections.mariadb'), 'database' => 'even_rungs_older'],
                'database.default' => 'older',
            ],
        );
        try {
            DB::unprepared((string) gzdecode((string) file_get_contents($file)));
            $tables = array_column(DB::select('SHOW TABLES'), 'Tables_in_even_rungs_older');
            $count = static fn (): array => array_combine(
                $tables,
                array_map(static fn (string $table): int => DB::table($table)->count(), $tables),
            );
            $before = $count();
            self::assertSame(0, Artisan::call('migrate', ['--force' => true]));
            $after = $count();
            unset($before['migrations'], $after['migrations']);
            self::assertSame($before, $after);
            self::assertGreaterThan(100, $before['logged_sets']);

            // whoever worked here before sees the same clients, and one of them owns the studio
            self::assertSame(1, Trainer::query()->where('role', Role::Owner)->count());
            if (! isset($before['client_trainer'])) {
                self::assertSame($before['trainers'] * $before['clients'], DB::table('client_trainer')->count());
                self::assertSame($before['changes'], DB::table('events')->count());
            }

            foreach (Client::query()->withoutGlobalScopes()->get() as $client) {
                $board = $this->app?->make(BoardLoader::class)->load($client);
                self::assertSame($client->name, $board?->client->name);
                self::assertSame(
                    [],
                    array_map(
                        static fn ($problem): string => $problem->toLine(),
                        Schemas::check(
                            'client',
                            json_decode((string) json_encode($this->app?->make(BoardLoader::class)->document($client))),
                        ),
                    ),
                    $client->name,
                );
                self::assertIsArray($this->app?->make(VerdictsView::class)->of($client));
            }
        } finally {
            config(['database.default' => 'mariadb']);
            DB::purge('older');
            DB::statement('DROP DATABASE IF EXISTS even_rungs_older');
        }
    }
}
