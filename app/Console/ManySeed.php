<?php

declare(strict_types=1);

namespace App\Console;

use App\Accounts\Role;
use App\Clients\StartClient;
use App\Models\Client;
use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

/**
 * A studio as large as one gets, in made-up names, for measuring: made by two processes, since the database works while PHP plans.
 */
final class ManySeed extends Command
{
    private const PROCESSES = 2;

    private const MOST_S = 1800;

    protected $signature = 'demo:many {count=300 : clients} {--weeks=52 : so many weeks of logs of each} {--as=many : who signs in there} '
        .'{--part= : of what another process began}';

    protected $description = 'Seed a large studio, for measuring';

    public function handle(StartClient $start, SimulatedLogs $logs): int
    {
        $scenario = new Node(Json::toArray(Json::decode((string) file_get_contents(base_path('demo/scenario.json')))));
        $part = $this->option('part');
        if (is_string($part)) {
            $this->fill($scenario, (int) $part, $start, $logs);

            return self::SUCCESS;
        }
        $many = $scenario->child('many');
        DemoStudio::remove([$this->email($many)]);
        $studio = Studio::query()->create(['name' => $many->string('studio')]);
        Trainer::query()->create([
            'studio_id' => $studio->id,
            'name' => $many->string('trainer'),
            'email' => $this->email($many),
            'password' => $many->string('password'),
            'role' => Role::Owner,
        ]);
        $bar = $this->output->createProgressBar((int) $this->argument('count'));
        $parts = array_map(fn (int $part): Process => new Process([
            PHP_BINARY,
            base_path('artisan'),
            'demo:many',
            $this->argument('count'),
            sprintf('--weeks=%d', (int) $this->option('weeks')),
            '--as='.explode('@', $this->email($many))[0],
            '--part='.$part,
        ], timeout: self::MOST_S), range(0, self::PROCESSES - 1));
        foreach ($parts as $process) {
            $process->start(static fn (string $type, string $said) => $bar->advance(substr_count($said, "\n")));
        }
        foreach ($parts as $process) {
            if ($process->wait() !== 0) {
                $this->error($process->getErrorOutput());

                return self::FAILURE;
            }
        }
        $bar->finish();
        $sets = DB::table('logged_sets')->where('studio_id', $studio->id)->count();
        $this->info(sprintf(' %s sets are in place: %s / %s', number_format($sets), $this->email($many), $many->string('password')));

        return self::SUCCESS;
    }

    private function email(Node $many): string
    {
        $as = $this->option('as');

        return sprintf('%s@%s', is_string($as) ? $as : 'many', explode('@', $many->string('email'))[1]);
    }

    /** Every so manieth client; a line says that one is there. */
    private function fill(Node $scenario, int $part, StartClient $start, SimulatedLogs $logs): void
    {
        $many = $scenario->child('many');
        $trainer = Trainer::query()->where('email', $this->email($many))->firstOrFail();
        $documents = array_values(array_filter(
            $scenario->opaque('clients') ?? [],
            static fn (mixed $each): bool => is_array($each) && ($each['screen']['flags'] ?? null) === [],
        ));
        [$first, $last] = [$many->strings('first'), $many->strings('last')];
        // every row is right by the way it is made
        DB::statement('set unique_checks = 0, foreign_key_checks = 0');
        for ($i = $part; $i < (int) $this->argument('count'); $i += self::PROCESSES) {
            $name = sprintf('%s %s', $first[$i % count($first)], $last[intdiv($i, count($first)) % count($last)]);
            $document = [
                ...$documents[$i % count($documents)],
                'name' => $name,
                'days' => ['mon' => 35, 'tue' => 20, 'thu' => 35, 'sat' => 30],
            ];
            DB::transaction(function () use ($trainer, $name, $document, $i, $start, $logs): void {
                $client = Client::query()->create(['studio_id' => $trainer->studio_id, 'name' => $name, 'document' => $document]);
                $start->of($client, $trainer);
                $weeks = (int) $this->option('weeks');
                $logs->fill($client->refresh(), $trainer, $weeks, $i + 1, 70 + $i % 30, $i % 7 === 0 ? 'left' : null);
            });
            $this->line($name);
        }
    }
}
