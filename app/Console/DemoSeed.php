<?php

declare(strict_types=1);

namespace App\Console;

use App\Board\ClientCommands;
use App\Board\TestDays;
use App\Models\Change;
use App\Models\Clearance;
use App\Models\Client;
use App\Models\LadderChange;
use App\Models\LoggedSession;
use App\Models\LoggedSet;
use App\Models\OwnLadder;
use App\Models\OwnStyle;
use App\Models\OwnWord;
use App\Models\Program;
use App\Models\Screen;
use App\Models\SessionTemplate;
use App\Models\Standing;
use App\Models\Studio;
use App\Models\TestDay;
use App\Models\Trainer;
use App\Models\VerdictAnswer;
use EvenRungs\Core\Ladder\Name;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\Schemas;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Console\Command;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Puts the demo studio of demo/scenario.json into an empty database, or puts it back as it was.
 */
final class DemoSeed extends Command
{
    protected $signature = 'demo:seed {--again : remove the demo studio first}';

    protected $description = 'Seed the demo studio when the database is empty';

    public function handle(ClientCommands $commands, TestDays $days): int
    {
        $scenario = new Node(Json::toArray(Json::decode((string) file_get_contents(base_path('demo/scenario.json')))));
        DB::transaction(function () use ($scenario, $commands, $days): void {
            $studio = $scenario->child('studio');
            if ($this->option('again')) {
                $this->remove($scenario->each('trainers', static fn (Node $each): string => $each->string('email')));
            } elseif (Studio::query()->exists()) {
                return;
            }
            $record = Studio::query()->create(['name' => $studio->string('name')]);
            $scenario->each('trainers', static fn (Node $each): Trainer => Trainer::query()->create([
                'studio_id' => $record->id,
                'name' => $each->string('name'),
                'email' => $each->string('email'),
                'password' => $each->string('password'),
            ]));
            $this->clients($scenario, $record, $commands);
            $this->clearances($scenario, $record, $commands);
            $this->testDays($scenario, $record, $days);
            foreach ($scenario->child('words')->keys() as $words) {
                OwnWord::query()->create(['studio_id' => $record->id, 'words' => $words, 'key' => Name::key($words), 'rung' => $scenario->child('words')->string($words)]);
            }
            $this->info('The demo studio is in place.');
        });

        return self::SUCCESS;
    }

    private function clients(Node $scenario, Studio $studio, ClientCommands $commands): void
    {
        foreach (array_keys($scenario->opaque('clients') ?? []) as $i) {
            $document = $scenario->child('clients')->opaque((string) $i) ?? [];
            $problems = Schemas::check('client', json_decode((string) json_encode($document)));
            if ($problems !== []) {
                throw new UnusableInput($problems);
            }
            $commands->start(Client::query()->create([
                'studio_id' => $studio->id,
                'name' => $document['name'],
                'document' => $document,
                'aims' => $scenario->child('aims')->strings((string) $document['name']),
            ]));
        }
    }

    private function clearances(Node $scenario, Studio $studio, ClientCommands $commands): void
    {
        $scenario->each('clearances', function (Node $each) use ($studio, $commands): void {
            $client = $this->client($each, $studio);
            $commands->clear($client, $this->trainer($studio), new Node([...($each->opaque('clearance') ?? []), 'on' => self::daysAgo($each), 'version' => $client->version]));
        });
    }

    private function testDays(Node $scenario, Studio $studio, TestDays $days): void
    {
        $scenario->each('test_days', function (Node $each) use ($studio, $days): void {
            $client = $this->client($each, $studio);
            $days->add($client, $this->trainer($studio), new Node([...($each->opaque('day') ?? []), 'on' => self::daysAgo($each), 'version' => $client->version]));
        });
    }

    private function client(Node $each, Studio $studio): Client
    {
        return Client::query()->ofStudio($studio->id)->where('name', $each->string('client'))->firstOrFail();
    }

    private function trainer(Studio $studio): Trainer
    {
        return Trainer::query()->where('studio_id', $studio->id)->firstOrFail();
    }

    private static function daysAgo(Node $each): string
    {
        return Carbon::today()->subDays($each->int('days_ago'))->toDateString();
    }

    /** @param  list<string>  $emails of the trainers whose studio goes */
    private function remove(array $emails): void
    {
        foreach (Trainer::query()->whereIn('email', $emails)->pluck('studio_id')->unique() as $studio) {
            foreach ([VerdictAnswer::class, LoggedSet::class, LoggedSession::class, SessionTemplate::class, Clearance::class, Screen::class, OwnStyle::class, TestDay::class, LadderChange::class, OwnLadder::class, OwnWord::class, Change::class, Program::class, Standing::class, Client::class, Trainer::class] as $model) {
                $model::query()->where('studio_id', $studio)->delete();
            }
            Studio::query()->whereKey($studio)->delete();
        }
    }
}
