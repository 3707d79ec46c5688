<?php

declare(strict_types=1);

namespace App\Console;

use App\Accounts\Role;
use App\Clients\RecordClearance;
use App\Clients\StartClient;
use App\Line\KeptLines;
use App\Models\Change;
use App\Models\Client;
use App\Models\OwnAim;
use App\Models\OwnWord;
use App\Models\Studio;
use App\Models\Trainer;
use App\Planning\PlanAnew;
use App\Progress\TestDays;
use EvenRungs\Core\Ladder\Name;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\Schemas;
use Illuminate\Console\Command;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/**
 * Puts the demo studio of demo/scenario.json into an empty database, or puts it back as it was.
 */
final class DemoSeed extends Command
{
    protected $signature = 'demo:seed {--again : remove the demo studio first} {--yes : even where something was entered by '
        .'hand} {--leave : take out of a studio\'s database what earlier versions put there}';

    protected $description = 'Seed the demo studio when the database is empty';

    public function handle(
        StartClient $start,
        RecordClearance $clearance,
        TestDays $days,
        SimulatedLogs $logs,
        PlanAnew $plan,
        SimulatedPast $past,
        KeptLines $lines,
    ): int {
        $scenario = new Node(Json::toArray(Json::decode((string) file_get_contents(base_path('demo/scenario.json')))));
        if ($this->option('leave')) {
            return $this->leave($scenario);
        }
        $byHand = $this->option('again') && ! $this->option('yes') ? DemoStudio::enteredByHand($scenario) : null;
        if ($byHand !== null) {
            $this->error(sprintf(
                '%s was entered by hand since the demo was put in place. Nothing was removed; ./even-rungs reset-demo --yes '
                    .'removes it all the same.',
                $byHand,
            ));

            return self::FAILURE;
        }
        DB::transaction(function () use ($scenario, $start, $clearance, $days, $logs, $plan, $past, $lines): void {
            if ($this->option('again')) {
                DemoStudio::remove($scenario->each('trainers', static fn (Node $each): string => $each->string('email')));
            } elseif (Studio::query()->exists()) {
                return;
            }
            $record = DemoStudio::studio($scenario);
            $this->clients($scenario, $record, $start);
            $scenario->each(
                'trainers',
                fn (Node $each): array => array_map(
                    static fn (string $name) => Client::query()->ofStudio($record->id)->where('name', $name)->firstOrFail()->belongsWith(
                        Trainer::query()->where('email', $each->string('email'))->firstOrFail(),
                    ),
                    $each->strings('clients'),
                ),
            );
            $this->clearances($scenario, $record, $clearance);
            $this->testDays($scenario, $record, $days, $plan);
            $scenario->each(
                'logs',
                fn (Node $each): int => $logs->fill(
                    $this->client($each, $record),
                    $this->trainer($record),
                    $each->int('weeks'),
                    $each->int('seed'),
                    $each->int('clean_percent'),
                    $each->optionalString('weak_side'),
                ),
            );
            $this->ownAims($scenario, $record);
            $this->lines($scenario, $record, $lines);
            $past->beginOnMonday($record);
            $scenario->each(
                'climbed',
                fn (Node $each) => $past->fill($this->client($each, $record), $each->int('weeks'), $each->int('seed')),
            );
            foreach ($scenario->child('words')->keys() as $words) {
                OwnWord::query()->create(
                    [
                        'studio_id' => $record->id,
                        'words' => $words,
                        'key' => Name::key($words),
                        'rung' => $scenario->child('words')->string($words),
                    ],
                );
            }
            $this->info('The demo studio is in place.');
        });

        return self::SUCCESS;
    }

    /** Earlier versions put the demo into the studio's own database. Untouched it goes; else it stays, and its published passwords end. */
    private function leave(Node $scenario): int
    {
        $emails = $scenario->each('trainers', static fn (Node $each): string => $each->string('email'));
        $trainers = Trainer::query()->among('email', $emails)->get()->filter(
            static fn (Trainer $each): bool => Hash::check(
                $scenario->each('trainers', static fn (Node $one): string => $one->string('password'))[0],
                $each->password,
            ),
        );
        if ($trainers->isEmpty()) {
            return self::SUCCESS;
        }
        $byHand = DemoStudio::enteredByHand($scenario);
        if ($byHand === null) {
            DB::transaction(static fn () => DemoStudio::remove($emails));

            return self::SUCCESS;
        }
        $trainers->each(static fn (Trainer $each) => $each->update(['password' => bin2hex(random_bytes(16))]));
        DB::table('sessions')->delete();
        $this->line(sprintf(
            'The demo of an earlier version holds what was entered by hand (%s). It is your studio now, and its published '
                .'passwords work no more.',
            $byHand,
        ));
        $this->line(sprintf('Choose your own: ./even-rungs trainer reset-password %s', $emails[0]));

        return self::SUCCESS;
    }

    private function clients(Node $scenario, Studio $studio, StartClient $start): void
    {
        foreach (array_keys($scenario->opaque('clients') ?? []) as $i) {
            $document = $scenario->child('clients')->opaque((string) $i) ?? [];
            $problems = Schemas::check('client', json_decode((string) json_encode($document)));
            if ($problems !== []) {
                throw new UnusableInput($problems);
            }
            $start->of(Client::query()->create([
                'studio_id' => $studio->id,
                'name' => $document['name'],
                'document' => $document,
                'aims' => $scenario->child('aims')->strings((string) $document['name']),
            ]));
        }
    }

    private function clearances(Node $scenario, Studio $studio, RecordClearance $clearance): void
    {
        $scenario->each('clearances', function (Node $each) use ($studio, $clearance): void {
            $client = $this->client($each, $studio);
            $clearance->from(
                $client,
                $this->trainer($studio),
                new Node([...($each->opaque('clearance') ?? []), 'on' => self::daysAgo($each), 'version' => $client->version]),
            );
        });
    }

    private function testDays(Node $scenario, Studio $studio, TestDays $days, PlanAnew $plan): void
    {
        $scenario->each('test_days', function (Node $each) use ($studio, $days, $plan): void {
            $client = $this->client($each, $studio);
            $days->add(
                $client,
                $this->trainer($studio),
                new Node([...($each->opaque('day') ?? []), 'on' => self::daysAgo($each), 'version' => $client->version]),
            );
            if ($client->refresh()->plan_asked !== null) {
                $plan->from($client, $this->trainer($studio), $client->version);
                Change::query()->ofClient($client)->delete();
            }
        });
    }

    private function ownAims(Node $scenario, Studio $studio): void
    {
        $scenario->each('own_aims', fn (Node $each): OwnAim => OwnAim::query()->create([
            'studio_id' => $studio->id,
            'client_id' => $this->client($each, $studio)->id,
            'trainer_id' => $this->trainer($studio)->id,
            'words' => $each->string('words'),
            'scores' => $each->each(
                'scores',
                static fn (Node $score): array => ['on' => self::daysAgo($score), 'score' => $score->int('score')],
            ),
        ]));
    }

    private function client(Node $each, Studio $studio): Client
    {
        return Client::query()->ofStudio($studio->id)->where('name', $each->string('client'))->firstOrFail();
    }

    private function trainer(Studio $studio): Trainer
    {
        return Trainer::query()->where('studio_id', $studio->id)->where('role', Role::Owner)->firstOrFail();
    }

    private function lines(Node $scenario, Studio $studio, KeptLines $lines): void
    {
        $scenario->each('lines', function (Node $each) use ($studio, $lines): void {
            $client = $this->client($each, $studio);
            $lines->allow($client, $this->trainer($studio), new Node(['given_by' => $each->string('by'), 'name' => $client->name]));
            $each->each('kept', fn (Node $line) => $lines->keep($client, $this->trainer($studio), new Node([
                'on' => self::daysAgo($line), 'faults' => $line->strings('faults'), 'width' => 640, 'height' => 480,
                'line' => ['rung' => $line->string('rung'), 'points' => $line->child('points')->all()],
            ])));
        });
    }

    private static function daysAgo(Node $each): string
    {
        return Carbon::today()->subDays($each->int('days_ago'))->toDateString();
    }
}
