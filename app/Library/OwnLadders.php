<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\Change;
use App\Models\Client;
use App\Models\LadderChange;
use App\Models\OwnLadder;
use App\Models\Program;
use App\Models\Standing;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use App\Support\StaleVersion;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Landing;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Edit\ProgramEdit;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Facades\DB;

/**
 * Every change to a studio's own ladders. Each runs in one transaction, moves the clients who stand on what it takes away,
 * is kept in the history, and can be undone.
 */
final class OwnLadders
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly StudioTables $tables,
        private readonly BoardLoader $boards,
    ) {
    }

    public function row(string $studio, string $ladder): ?OwnLadder
    {
        return OwnLadder::query()->ofStudio($studio)->where('ladder', $ladder)->first();
    }

    /**
     * Who stands on, or has in the week, what a new document changes, and where they would land.
     *
     * @param  ?array<string, mixed>  $document  even-rungs ladder; null puts the studio's own away
     * @return list<array{client: Client, person: Person, from: Rung, step: int, basis: Basis, landing: Landing}>
     */
    public function affected(string $studio, string $ladder, ?array $document): array
    {
        $before = $this->data->library();
        if (! $before->hasLadder($ladder)) {
            return [];
        }
        $after = $this->after($ladder, $document);
        $old = $before->ladder($ladder);
        $changed = array_values(
            array_filter(
                $old->rungs,
                fn (Rung $rung): bool => ! $after->hasRung($rung->id)
                    || LibraryJson::writeRung($after->rung($rung->id)) != LibraryJson::writeRung($rung),
            ),
        );
        $affected = [];
        foreach ($changed === [] ? [] : Client::query()->ofStudio($studio)->ordered('name')->get() as $client) {
            $stand = $this->boards->standings($client)[$ladder] ?? null;
            $planned = $this->planned($client, $before);
            foreach ($changed as $rung) {
                if ($stand?->rung === $rung->id || in_array($rung->id, $planned, true)) {
                    $person = $this->boards->person($client);
                    $on = $stand !== null && $stand->rung === $rung->id ? $stand : null;
                    $step = $on->step ?? 0;
                    $affected[] = [
                        'client' => $client,
                        'person' => $person,
                        'from' => $rung,
                        'step' => $step,
                        'basis' => Basis::from($on->basis ?? Basis::None->value),
                        'landing' => Landing::of($rung, $step, $old, $after, $person, new Steps($this->boards->style($client), $person)),
                    ];
                }
            }
        }

        return $affected;
    }

    /** @param  ?array<string, mixed>  $document */
    private function after(string $ladder, ?array $document): Library
    {
        $shipped = $this->data->shippedLibrary();
        $others = array_values(
            array_filter($this->tables->ladders($this->data->poses()), static fn (Ladder $each): bool => $each->id !== $ladder),
        );
        $own = $document === null ? [] : [LibraryJson::readLadder(new Node($document), $this->data->poses())];

        return $shipped->with([...$others, ...$own]);
    }

    /** @return list<string> rungs in the client's program */
    private function planned(Client $client, Library $library): array
    {
        $rungs = [];
        foreach ($this->boards->program($client)->weeks ?? [] as $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->entries() as $entry) {
                    $rungs[] = $library->find($entry->exercise)->id ?? '';
                }
            }
        }

        return array_values(array_unique($rungs));
    }

    /**
     * @param  ?array<string, mixed>  $document  checked; null puts the studio's own away
     *
     * @throws StaleVersion when another version is stored than the one that was changed
     */
    public function save(Trainer $trainer, string $ladder, ?int $version, ?array $document, string $label): void
    {
        DB::transaction(function () use ($trainer, $ladder, $version, $document, $label): void {
            $row = OwnLadder::query()->ofStudio($trainer->studio_id)->where('ladder', $ladder)->locked()->first();
            if (($row->version ?? 0) !== ($version ?? 0)) {
                throw new StaleVersion(['ladder' => $ladder, 'version' => $row->version ?? 0]);
            }
            $affected = $this->affected($trainer->studio_id, $ladder, $document);
            $after = $this->after($ladder, $document);
            $before = $row?->document;
            OwnLadder::query()->updateOrCreate(
                ['studio_id' => $trainer->studio_id, 'ladder' => $ladder],
                ['document' => $document, 'version' => ($row->version ?? 0) + 1],
            );
            $this->tables->changed();
            $moves = [];
            foreach ($affected as $each) {
                $moves[] = $this->land($each, $after, $label);
            }
            $this->forgetUndo($trainer->studio_id, $ladder, $after);
            LadderChange::query()->create([
                'studio_id' => $trainer->studio_id,
                'trainer_id' => $trainer->id,
                'ladder' => $ladder,
                'label' => mb_substr($label, 0, 200),
                'before' => $before,
                'after' => $document,
                'moves' => $moves,
                'undone' => false,
            ]);
        });
    }

    /**
     * The standing keeps what it rested on: a changed ladder shows nothing new about the client.
     *
     * @param  array{client: Client, person: Person, from: Rung, step: int, basis: Basis, landing: Landing}  $affected
     * @return array{client: string, from: string, from_step: int, basis: string, to: ?string, to_step: int, test: mixed}
     */
    private function land(array $affected, Library $after, string $label): array
    {
        ['client' => $client, 'from' => $from, 'step' => $step, 'basis' => $basis, 'landing' => $landing] = $affected;
        $to = $landing->rung;
        $why = [$label.'.', $landing->why];
        if ($this->newestRung($client, $from->ladder) === $from->id && ($to?->id !== $from->id || $landing->step !== $step)) {
            $this->stand($client, $from->ladder, $to?->ladder === $from->ladder ? $to : null, $landing->step, $basis, $why);
            if ($to !== null && $to->ladder !== $from->ladder && ! isset($this->boards->standings($client)[$to->ladder])) {
                $this->stand($client, $to->ladder, $to, $landing->step, $basis, $why);
            }
        }
        $test = $this->forgetTest($client, $from->ladder, $after);
        if ($to?->id !== $from->id) {
            $this->replaceInWeek($client, $affected['person'], $from->id, $to, $landing->step, $after);
        }
        Client::query()->whereKey($client->id)->increment('version');

        return [
            'client' => $client->id,
            'from' => $from->id,
            'from_step' => $step,
            'basis' => $basis->value,
            'to' => $to?->id,
            'to_step' => $landing->step,
            'test' => $test,
        ];
    }

    /** An undo that leads back to a rung that is gone would leave the client on nothing: such a list starts afresh. */
    private function forgetUndo(string $studio, string $ladder, Library $after): void
    {
        $gone = Standing::query()->ofStudio($studio)->where('ladder', $ladder)->whereNotNull('rung')->pluck('rung')->unique()
            ->reject(static fn (string $rung): bool => $after->hasRung($rung));
        foreach ($gone as $rung) {
            $mentions = Change::query()->ofStudio($studio)->where(
                static fn ($query) => $query->where('before', 'like', '%"'.$rung.'"%')->orWhere('after', 'like', '%"'.$rung.'"%'),
            );
            Change::query()->ofStudio($studio)->whereIn('client_id', $mentions->pluck('client_id'))->delete();
        }
    }

    private function newestRung(Client $client, string $ladder): ?string
    {
        return Standing::query()->ofClient($client)->where('ladder', $ladder)->ordered('id', 'desc')->first()?->rung;
    }

    /** @param  list<string>  $why */
    private function stand(Client $client, string $ladder, ?Rung $rung, int $step, Basis $basis, array $why): void
    {
        Standing::query()->create([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'ladder' => $ladder,
            'rung' => $rung?->id,
            'step' => $rung === null ? 0 : $step,
            'basis' => ($rung === null ? Basis::None : $basis)->value,
            'why' => $why,
        ]);
    }

    /**
     * A highest clean rung that is gone leaves the client's document.
     *
     * @return mixed what the document said; null where it stays
     */
    private function forgetTest(Client $client, string $ladder, Library $after): mixed
    {
        $document = $client->refresh()->document;
        $clean = $document['tests']['ladders'][$ladder]['highest_clean'] ?? null;
        foreach (is_array($clean) ? $clean : array_filter([$clean]) as $rung) {
            if (! $after->hasRung($rung)) {
                unset($document['tests']['ladders'][$ladder]);
                $client->document = $document;
                $client->save();

                return $clean;
            }
        }

        return null;
    }

    private function replaceInWeek(Client $client, Person $person, string $from, ?Rung $to, int $step, Library $after): void
    {
        $program = $this->boards->program($client);
        if ($program === null) {
            return;
        }
        $edit = new ProgramEdit($after, new Steps($this->boards->style($client), $person));
        $edited = $to === null ? $edit->without($program, $from) : $edit->replace($program, $from, $to, $step);
        Program::query()->ofClient($client)->current()->firstOrFail()->update(
            ['document' => (new ProgramJson($this->data->storedClients()))->write($edited)],
        );
    }

    /**
     * Takes the newest change to a ladder back: the ladder as it was, and the clients whom it moved back where they stood,
     * unless they have moved since.
     *
     * @throws UnusableInput when there is nothing to undo
     */
    public function undo(Trainer $trainer, string $ladder, int $version): void
    {
        DB::transaction(function () use ($trainer, $ladder, $version): void {
            $change = LadderChange::query()->ofStudio($trainer->studio_id)->where(
                'ladder',
                $ladder,
            )->where('undone', false)->ordered('id', 'desc')->locked()->first()
                ?? throw UnusableInput::at('/', 'there is nothing to undo');
            $this->save($trainer, $ladder, $version, $change->before, 'Undone: '.$change->label);
            LadderChange::query()->ofStudio($trainer->studio_id)->where('ladder', $ladder)->where('undone', false)->where(
                'id',
                '>=',
                $change->id,
            )->update(['undone' => true]);
            $library = $this->data->library();
            foreach ($change->moves as $move) {
                $client = Client::query()->ofStudio($trainer->studio_id)->whereKey($move['client'])->first();
                $from = $library->hasRung($move['from']) ? $library->rung($move['from']) : null;
                if ($client === null || $from === null || $move['to'] === $move['from'] && $move['to_step'] === $move['from_step']) {
                    continue;
                }
                $now = $this->newestRung($client, $from->ladder);
                if (isset($move['test'])) {
                    $document = $client->document;
                    $document['tests']['ladders'][$from->ladder] = ['highest_clean' => $move['test']];
                    $client->update(['document' => $document]);
                }
                if ($now === $move['to'] || $now === null) {
                    $this->stand(
                        $client,
                        $from->ladder,
                        $from,
                        $move['from_step'],
                        Basis::from($move['basis']),
                        ['Undone: '.$change->label.'.'],
                    );
                }
                if ($move['to'] !== null && $move['to'] !== $move['from']) {
                    $this->replaceInWeek($client, $this->boards->person($client), $move['to'], $from, $move['from_step'], $library);
                }
                Client::query()->whereKey($client->id)->increment('version');
            }
        });
    }
}
