<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\Change;
use App\Models\Client;
use App\Models\LadderChange;
use App\Models\OwnLadder;
use App\Models\Program;
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
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
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
        private readonly LadderLanding $landing,
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
     * @param  ?string  $copyOf  ladder that a new one was copied from
     *
     * @throws StaleVersion when another version is stored than the one that was changed
     */
    public function save(
        Trainer $trainer,
        string $ladder,
        ?int $version,
        ?array $document,
        string $label,
        ?string $copyOf = null,
    ): void {
        DB::transaction(function () use ($trainer, $ladder, $version, $document, $label, $copyOf): void {
            $row = OwnLadder::query()->ofStudio($trainer->studio_id)->where('ladder', $ladder)->locked()->first();
            if (($row->version ?? 0) !== ($version ?? 0)) {
                throw new StaleVersion(['ladder' => $ladder, 'version' => $row->version ?? 0]);
            }
            $affected = $this->affected($trainer->studio_id, $ladder, $document);
            $after = $this->after($ladder, $document);
            $before = $row?->document;
            OwnLadder::query()->updateOrCreate(
                ['studio_id' => $trainer->studio_id, 'ladder' => $ladder],
                [
                    'document' => $document,
                    'version' => ($row->version ?? 0) + 1,
                    // a new ladder is used for nobody until somebody says so; a changed shipped one keeps its place
                    'unused' => $row === null ? ($this->data->shippedLibrary()->hasLadder($ladder) ? null : true) : $row->unused,
                    'copy_of' => $row === null ? $copyOf : $row->copy_of,
                ],
            );
            $this->tables->changed();
            $moves = [];
            foreach ($affected as $each) {
                $moves[] = $this->landing->land($each, $after, $label);
            }
            $this->landing->forgetUndo($trainer->studio_id, $ladder, $after);
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

    /** Uses a ladder of the studio's own for everybody, beside the one it was copied from or in its place, or only where it is chosen. */
    public function use(Trainer $trainer, string $ladder, bool $forAll, bool $inPlace): void
    {
        DB::transaction(function () use ($trainer, $ladder, $forAll, $inPlace): void {
            $row = OwnLadder::query()->ofStudio($trainer->studio_id)->where('ladder', $ladder)->locked()->firstOrFail();
            $row->update(['unused' => $forAll ? null : true, 'in_place' => $forAll && $inPlace && $row->copy_of !== null ? true : null]);
            $this->tables->changed();
        });
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
                $now = $this->landing->newestRung($client, $from->ladder);
                if (isset($move['test'])) {
                    $document = $client->document;
                    $document['tests']['ladders'][$from->ladder] = ['highest_clean' => $move['test']];
                    $client->update(['document' => $document]);
                }
                if ($now === $move['to'] || $now === null) {
                    $this->landing->standAgain($client, $from, $move['from_step']);
                }
                if ($move['to'] !== null && $move['to'] !== $move['from']) {
                    $this->landing->replaceInWeek(
                        $client,
                        $this->boards->person($client),
                        $move['to'],
                        $from,
                        $move['from_step'],
                        $library,
                    );
                }
                Client::query()->whereKey($client->id)->increment('version');
            }
        });
    }
}
