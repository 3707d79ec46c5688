<?php

declare(strict_types=1);

namespace App\Console;

use App\Accounts\Studios;
use App\Clients\Erasure;
use App\Models\Client;
use App\Models\LadderChange;
use App\Models\LineCheck;
use App\Models\LogChange;
use App\Models\LoggedSession;
use App\Models\OwnStyle;
use App\Models\SessionTemplate;
use App\Models\Studio;
use App\Models\Trainer;
use App\Models\VerdictAnswer;
use EvenRungs\Formats\Node;

/**
 * The studio of the demo: put in place, taken away, and whether anything was entered into it by hand.
 */
final class DemoStudio
{
    /** What is in the demo studio that the scenario did not put there; null where nothing is. */
    public static function enteredByHand(Node $scenario): ?string
    {
        $emails = $scenario->each('trainers', static fn (Node $each): string => $each->string('email'));
        $studio = Trainer::query()->whereIn('email', $emails)->value('studio_id');
        if (! is_string($studio)) {
            return null;
        }
        $names = $scenario->each('clients', static fn (Node $each): string => $each->string('name'));
        $stranger = Client::query()->ofStudio($studio)->whereNotIn('name', $names)->value('name');
        if (is_string($stranger)) {
            return $stranger;
        }
        if (LoggedSession::query()->ofStudio($studio)->where('key', 'not like', 'made-up-%')->exists()) {
            return 'A log';
        }
        $lines = array_sum($scenario->each('lines', static fn (Node $each): int => count($each->child('kept')->all())));
        if (LineCheck::query()->ofStudio($studio)->count() > $lines) {
            return 'A line check';
        }
        $meant = array_count_values(
            [
                ...$scenario->each('clearances', static fn (Node $each): string => $each->string('client')),
                ...$scenario->each('test_days', static fn (Node $each): string => $each->string('client')),
            ],
        );
        foreach (Client::query()->ofStudio($studio)->get() as $client) {
            if ($client->version > 1 + ($meant[$client->name] ?? 0) || $client->archived_at !== null) {
                return sprintf('A change of %s', $client->name);
            }
        }
        $others = [
            'An answer to a verdict' => VerdictAnswer::class,
            'A changed log' => LogChange::class,
            'A ladder' => LadderChange::class,
            'A house style' => OwnStyle::class,
            'A template' => SessionTemplate::class,
        ];
        foreach ($others as $what => $model) {
            if ($model::query()->where('studio_id', $studio)->exists()) {
                return $what;
            }
        }

        return Trainer::query()->where('studio_id', $studio)->whereNotIn('email', $emails)->exists() ? 'A trainer' : null;
    }

    /** @param  list<string>  $emails of the trainers whose studio goes */
    public static function remove(array $emails): void
    {
        foreach (Trainer::query()->whereIn('email', $emails)->pluck('studio_id')->unique() as $studio) {
            Erasure::studio($studio);
        }
    }

    /** The studio of a scenario with its people. */
    public static function studio(Node $scenario): Studio
    {
        $studio = $scenario->child('studio');
        $record = Studio::query()->create(['name' => $studio->string('name'), 'bands' => Studios::bands($studio)]);
        $scenario->each('trainers', static fn (Node $each): Trainer => Trainer::query()->create([
            'studio_id' => $record->id,
            'name' => $each->string('name'),
            'email' => $each->string('email'),
            'password' => $each->string('password'),
            'role' => $each->string('role'),
        ]));

        return $record;
    }
}
