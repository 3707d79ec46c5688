<?php

declare(strict_types=1);

namespace App\Support;

use App\Clients\RosterRows;
use App\Models\Change;
use App\Models\Client;
use App\Models\Program as ProgramRow;
use App\Models\Standing;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use App\Planning\BoardView;
use App\Progress\EvenOuts;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Planning\Edit\Allowed;
use EvenRungs\Core\Program\Program;
use EvenRungs\Formats\DoseJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Facades\DB;
use WeakMap;

/**
 * Changes to a client as they are kept: each in one transaction on the row it locked, refusing an older version, with what
 * it takes to undo it.
 */
final class Ledger
{
    /** @var WeakMap<Program, array<string, mixed>> what is kept of a program is kept beside it too, to be undone */
    private WeakMap $written;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Standings $standings,
        private readonly BoardView $view,
        private readonly RosterRows $roster,
        private readonly Happened $happened,
        private readonly EvenOuts $evenOuts,
    ) {
        $this->written = new WeakMap;
    }

    /**
     * @template T
     *
     * @param  callable(Client): T  $act
     * @return T
     *
     * @throws StaleVersion when somebody else changed the client since
     */
    public function change(Client $client, int $version, callable $act): mixed
    {
        return DB::transaction(function () use ($client, $version, $act): mixed {
            $locked = Client::query()->ofStudio($client->studio_id)->whereKey($client->id)->locked()->firstOrFail();
            if ($locked->version !== $version) {
                throw new StaleVersion($this->view->of($this->boards->load($locked)));
            }
            $done = $act($locked);
            $locked->version++;
            $locked->save();
            $this->evenOuts->settle($locked);
            $this->roster->forget($locked);

            return $done;
        });
    }

    /**
     * What the next undo goes back to, and the next redo on to.
     *
     * @param  array<string, mixed>  $before  a state and what else changed with it
     * @param  array<string, mixed>  $after
     */
    public function record(Client $client, Trainer $trainer, string $label, array $before, array $after): void
    {
        $this->happened->about($label);
        Change::query()->ofClient($client)->where('undone', true)->delete();
        Change::query()->create([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'trainer_id' => $trainer->id,
            'label' => mb_substr($label, 0, 200),
            'before' => $before,
            'after' => $after,
            'undone' => false,
        ]);
    }

    /** Likewise, of a change of the program in use. */
    public function recordProgram(Client $client, Trainer $trainer, string $label, ?Program $before, ?Program $after): void
    {
        $this->record($client, $trainer, $label, $this->state($client, $before), $this->state($client, $after));
    }

    /** Puts another program in the place of the one in use. */
    public function replace(Client $locked, Trainer $trainer, string $label, Program $plan): void
    {
        $before = $this->state($locked, $this->boards->program($locked));
        $row = $this->begin($locked, $plan);
        $this->record($locked, $trainer, $label, $before, [...$this->state($locked, $plan), 'new_program' => $row->id]);
    }

    /**
     * @param  ?Program  $program  the program in use
     * @param  ?Standing  $stand  where the client stands on the ladder that the change moves
     * @return array<string, mixed>
     */
    public function state(Client $client, ?Program $program, ?string $ladder = null, ?Standing $stand = null): array
    {
        return [
            'standing' => $ladder === null ? null : [
                'ladder' => $ladder,
                'rung' => $stand?->rung,
                'step' => $stand->step ?? 0,
                'range' => $stand?->range,
                'basis' => $stand->basis ?? Basis::None->value,
            ],
            'program' => $program === null ? null : $this->written($program),
            'program_id' => $this->currentId($client),
        ];
    }

    public function undo(Client $client, int $version): void
    {
        $this->travel($client, $version, false);
    }

    public function redo(Client $client, int $version): void
    {
        $this->travel($client, $version, true);
    }

    private function travel(Client $client, int $version, bool $forward): void
    {
        $this->change($client, $version, function (Client $locked) use ($forward): void {
            $change = Change::query()->ofClient($locked)->where('undone', $forward)->ordered('id', $forward ? 'asc' : 'desc')->first()
                ?? throw UnusableInput::at('/', $forward ? 'there is nothing to redo' : 'there is nothing to undo');
            $this->happened->about($change->label);
            $state = new Node($forward ? $change->after : $change->before);
            $standing = $state->optionalChild('standing');
            if ($standing !== null) {
                $rung = $standing->optionalString('rung');
                $at = $rung === null ? null : new Position(
                    $this->stillSafe($locked, $rung, $change->label),
                    $standing->int('step'),
                    $standing->has('range') ? DoseJson::readRange($standing->child('range')) : null,
                );
                $this->standings->stand(
                    $locked,
                    $standing->string('ladder'),
                    $at,
                    Basis::from($standing->string('basis')),
                    [sprintf('%s: %s.', $forward ? 'Done again' : 'Undone', $change->label)],
                );
            }
            if (array_key_exists('style', $forward ? $change->after : $change->before)) {
                $locked->style = $state->optionalString('style');
            }
            if (array_key_exists('plan_asked', $forward ? $change->after : $change->before)) {
                $locked->plan_asked = $state->has('plan_asked') ? $state->strings('plan_asked') : null;
            }
            if (! $forward && isset($change->after['new_program'])) {
                ProgramRow::query()->ofClient($locked)->whereKey($change->after['new_program'])->delete();
            }
            $this->putBack($locked, $state->optionalString('program_id'), $state->opaque('program'));
            $change->undone = ! $forward;
            $change->save();
        });
    }

    /** @throws UnusableInput where what changed since forbids to stand there */
    private function stillSafe(Client $client, string $id, string $label): Rung
    {
        $rung = $this->data->library()->rung($id);
        $against = Obstacles::between($this->boards->person($client), $rung, $this->data->library())->safety($this->data->library());
        if ($against !== []) {
            $why = implode('; ', $against);

            throw UnusableInput::at('/', sprintf('"%s" cannot be taken back: %s %s', $label, $rung->name, $why));
        }

        return $rung;
    }

    /**
     * A program of an earlier day, without what is forbidden since.
     *
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private function allowedOf(array $document, Client $client): array
    {
        $program = (new ProgramJson($this->data->storedClients()))->read(new Node($document));
        $allowed = (new Allowed($this->data->library(), $this->boards->person($client)))->program($program);

        return $allowed == $program ? $document : $this->written($allowed);
    }

    /** @param  array<string, mixed>|null  $document */
    private function putBack(Client $client, ?string $id, ?array $document): void
    {
        $document = $document === null ? null : $this->allowedOf($document, $client);
        if ($document === null) {
            ProgramRow::query()->ofClient($client)->current()->delete();

            return;
        }
        if ($id !== null) {
            ProgramRow::query()->ofClient($client)->update(['current' => false]);
            $row = ProgramRow::query()->ofClient($client)->whereKey($id)->first();
            $row === null ? $this->create($client, $document, $id) : $row->update(['document' => $document, 'current' => true]);

            return;
        }
        $this->storeDocument($client, $document);
    }

    public function hasProgram(Client $client): bool
    {
        return $this->currentId($client) !== null;
    }

    private function currentId(Client $client): ?string
    {
        return ProgramRow::query()->ofClient($client)->current()->value('id');
    }

    /** Keeps the program in use aside and puts another in its place. */
    public function begin(Client $client, Program $program): ProgramRow
    {
        $client->plan_asked = null;
        ProgramRow::query()->ofClient($client)->update(['current' => false]);

        return $this->create($client, $this->written($program));
    }

    /** @param  array<string, mixed>  $document */
    private function create(Client $client, array $document, ?string $id = null): ProgramRow
    {
        return ProgramRow::query()->create(
            [
                ...($id === null ? [] : ['id' => $id]),
                'studio_id' => $client->studio_id,
                'client_id' => $client->id,
                'document' => $document,
                'current' => true,
            ],
        );
    }

    public function store(Client $client, ?Program $program): void
    {
        if ($program !== null) {
            $this->storeDocument($client, $this->written($program));
        }
    }

    /** @param  array<string, mixed>  $document */
    private function storeDocument(Client $client, array $document): void
    {
        $id = $this->currentId($client);
        $id === null
            ? $this->create($client, $document)
            : ProgramRow::query()->whereKey($id)->update(['document' => json_encode($document, JSON_THROW_ON_ERROR)]);
    }

    /** @return array<string, mixed> */
    public function written(Program $program): array
    {
        return $this->written[$program] ??= (new ProgramJson($this->data->storedClients()))->write($program);
    }
}
