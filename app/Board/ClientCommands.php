<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Change;
use App\Models\Client;
use App\Models\Program;
use App\Models\Standing;
use App\Models\Trainer;
use EvenRungs\Core\Body\Client as Person;
use EvenRungs\Core\Body\SafetyScreen;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Basis;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Standing as Stand;
use EvenRungs\Core\Planning\DoseChooser;
use EvenRungs\Core\Planning\ProgramEdit;
use EvenRungs\Core\Planning\WeekPlanner;
use EvenRungs\Core\Session\Program as Plan;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\DataFolder;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Every change to a client's standing and program. Each runs in one transaction on the row it locked, refuses an older
 * version, and can be undone.
 */
final class ClientCommands
{
    private const MOST_AIMS = 6;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly BoardView $view,
    ) {
    }

    /** Lets the client stand on another rung of a ladder, or on another step of the same. */
    public function move(Client $client, Trainer $trainer, int $version, string $rungId, int $step): void
    {
        $this->change($client, $version, function (Client $locked) use ($trainer, $rungId, $step): void {
            $library = $this->data->library();
            $person = $this->boards->person($locked);
            $rung = $this->rung($rungId);
            if ($step >= count($rung->steps)) {
                throw UnusableInput::at('/step', sprintf('must be under %d on this rung', count($rung->steps)));
            }
            $this->allowed($rungId, $person);
            $before = $this->boards->standings($locked)[$rung->ladder] ?? null;
            $after = new Stand($rung, $step, Basis::HighestClean);
            $program = $this->boards->program($locked);
            $edited = $program === null ? null : $this->edit($locked)->standOn($program, $rung, $step, $person);
            $label = $before?->rung === $rung
                ? sprintf('%s, step %d', $rung->name, $step + 1)
                : sprintf('%s to %s', $library->ladderOf($rung)->name, $rung->name);
            $this->record($locked, $trainer, $label, [$rung->ladder, $before], [$rung->ladder, $after], $program, $edited);
            $this->stand($locked, $rung->ladder, $after, [sprintf('Moved by %s.', $trainer->name)]);
            $this->store($locked, $edited);
        });
    }

    /** Gives one entry of the week another dose, written as trainers write it. */
    public function changeDose(Client $client, Trainer $trainer, int $version, Node $body): void
    {
        $this->change($client, $version, function (Client $locked) use ($trainer, $body): void {
            $program = $this->boards->program($locked) ?? throw UnusableInput::at('/', 'there is no program yet');
            try {
                $dose = Shorthand::parse($body->string('dose'));
                $edited = $this->edit($locked)->changeDose($program, $body->int('week'), $body->int('session'), $body->int('block'), $body->int('entry'), $dose);
            } catch (InvalidValue $e) {
                throw UnusableInput::at('/dose', $e->getMessage());
            }
            $this->record($locked, $trainer, sprintf('Dose %s', Shorthand::write($dose)), null, null, $program, $edited);
            $this->store($locked, $edited);
        });
    }

    /** Puts another exercise in the place of one entry of the week. */
    public function swap(Client $client, Trainer $trainer, int $version, Node $body): void
    {
        $this->change($client, $version, function (Client $locked) use ($trainer, $body): void {
            $program = $this->boards->program($locked) ?? throw UnusableInput::at('/', 'there is no program yet');
            $person = $this->boards->person($locked);
            $rung = $this->allowed($body->string('rung'), $person);
            try {
                $edited = $this->edit($locked)->swap($program, $body->int('week'), $body->int('session'), $body->int('block'), $body->int('entry'), $rung, $person);
            } catch (InvalidValue $e) {
                throw UnusableInput::at('/entry', $e->getMessage());
            }
            $this->record($locked, $trainer, sprintf('Swapped for %s', $rung->name), null, null, $program, $edited);
            $this->store($locked, $edited);
        });
    }

    /** Puts a rung on the wall as an aim, or takes it off. */
    public function aim(Client $client, int $version, string $rungId, bool $wanted): void
    {
        $this->change($client, $version, function (Client $locked) use ($rungId, $wanted): void {
            $rung = $this->rung($rungId);
            $others = array_values(array_filter($locked->aims ?? [], static fn (string $each): bool => $each !== $rung->id));
            $locked->aims = $wanted ? array_slice([$rung->id, ...$others], 0, self::MOST_AIMS) : $others;
        });
    }

    /**
     * Chooses the ladders that the plan draws on.
     *
     * @param  list<string>|null  $ladders  null for all of the house style
     */
    public function useLadders(Client $client, int $version, ?array $ladders): void
    {
        $this->change($client, $version, function (Client $locked) use ($ladders): void {
            foreach ($ladders ?? [] as $i => $ladder) {
                if (! $this->data->library()->hasLadder($ladder)) {
                    throw UnusableInput::at('/ladders/'.$i, sprintf('there is no ladder "%s"', $ladder));
                }
            }
            $locked->used_ladders = $ladders === null ? null : array_values(array_unique($ladders));
        });
    }

    private function rung(string $id): Rung
    {
        $library = $this->data->library();

        return $library->hasRung($id) ? $library->rung($id) : throw UnusableInput::at('/rung', 'is not a rung of the library');
    }

    /** @throws UnusableInput when there is none of that id, or something stands in the way of it */
    private function allowed(string $id, Person $person): Rung
    {
        $library = $this->data->library();
        $rung = $this->rung($id);
        $obstacles = Obstacles::between($person, $rung, $library);

        return $obstacles->isClear() ? $rung : throw UnusableInput::at('/rung', sprintf('%s %s', $rung->name, implode('; ', $obstacles->sentences($library))));
    }

    /** Lets the client's plan follow another house style, and plans the week anew. */
    public function follow(Client $client, Trainer $trainer, int $version, string $style): void
    {
        $this->change($client, $version, function (Client $locked) use ($trainer, $style): void {
            $this->checkStyle($style);
            $old = $locked->style;
            $locked->style = $style;
            $program = $this->boards->program($locked);
            $planned = $this->plannedIfAllowed($locked);
            if ($planned !== null) {
                $change = $this->record($locked, $trainer, sprintf('Week planned by %s', $this->boards->style($locked)->name), null, null, $program, $planned);
                $change->update(['before' => [...$change->before, 'style' => $old], 'after' => [...$change->after, 'style' => $style]]);
                $this->store($locked, $planned);
            }
        });
    }

    /**
     * What the week would be with another style, other minutes or more limits. Nothing is stored.
     *
     * @throws UnusableInput when no week can be planned
     */
    public function whatIf(Client $client, Node $wishes): Board
    {
        $other = $client->replicate(['version']);
        $other->id = $client->id;
        $other->version = $client->version;
        $document = $client->document;
        if ($wishes->has('days')) {
            $document['days'] = $wishes->ints('days');
        }
        $document['limits'] = [...($document['limits'] ?? []), ...$this->newLimits($document['limits'] ?? [], $wishes->strings('limits'))];
        $other->document = $document;
        $other->style = $wishes->optionalString('style') ?? $client->style;
        if ($wishes->has('style')) {
            $this->checkStyle($wishes->string('style'));
        }

        return $this->boards->load($other)->with($this->planned($other));
    }

    private function checkStyle(string $style): void
    {
        if (! in_array($style, $this->data->styleNames(), true)) {
            throw UnusableInput::at('/style', sprintf('there is no house style "%s"', $style));
        }
    }

    /**
     * @param  list<mixed>  $known
     * @param  list<string>  $more
     * @return list<string> those that are not known yet
     */
    private function newLimits(array $known, array $more): array
    {
        $ids = array_map(static fn (mixed $limit): mixed => is_array($limit) ? $limit['limit'] ?? null : $limit, $known);

        return array_values(array_diff($more, array_filter($ids, is_string(...))));
    }

    /** Plans the week anew from where the client stands. */
    public function plan(Client $client, Trainer $trainer, int $version): void
    {
        $this->change($client, $version, function (Client $locked) use ($trainer): void {
            $program = $this->boards->program($locked);
            $planned = $this->planned($locked);
            $this->record($locked, $trainer, 'Week planned anew', null, null, $program, $planned);
            $this->store($locked, $planned);
        });
    }

    /**
     * Replaces what is known of the client. Ladders whose tests or ability changed are placed anew, the week is planned anew,
     * and what could be undone before cannot be any more.
     *
     * @param  array<string, mixed>  $document  even-rungs/client
     */
    public function update(Client $client, int $version, array $document): void
    {
        $this->change($client, $version, function (Client $locked) use ($document): void {
            $before = $this->measured($locked->document, $this->boards->style($locked));
            $after = $this->measured($document, $this->boards->style($locked));
            $locked->document = $document;
            $locked->name = $this->boards->person($locked)->name;
            foreach ($after as $ladder => $placement) {
                $old = $before[$ladder] ?? null;
                if ($old?->rung !== $placement->rung || $old?->basis !== $placement->basis) {
                    $this->placed($locked, $placement);
                }
            }
            Change::query()->ofClient($locked)->delete();
            Program::query()->ofClient($locked)->delete();
            $this->store($locked, $this->plannedIfAllowed($locked));
        });
    }

    public function archive(Client $client, int $version, bool $archived): void
    {
        $this->change($client, $version, function (Client $locked) use ($archived): void {
            $locked->archived_at = $archived ? Carbon::now() : null;
        });
    }

    /**
     * Where tests and ability alone would place a client, whatever the limits and the kit.
     *
     * @param  array<string, mixed>  $document
     * @return array<string, Placement> by ladder
     */
    private function measured(array $document, Style $style): array
    {
        $free = [...$document, 'limits' => [], 'equipment' => array_keys($this->data->library()->equipment)];
        $placements = [];
        foreach ($this->boards->placer($style)->place($this->data->storedClients()->read(new Node($free))) as $placement) {
            $placements[$placement->ladder->id] = $placement;
        }

        return $placements;
    }

    private function plannedIfAllowed(Client $client): ?Plan
    {
        $person = $this->boards->person($client);
        $allowed = $person->screen !== null && $person->days !== null && (new SafetyScreen)->referrals($person) === [];

        return $allowed ? $this->planned($client) : null;
    }

    /** Places a new client on every ladder and plans the first week where that is allowed. Cannot be undone. */
    public function start(Client $client): void
    {
        DB::transaction(function () use ($client): void {
            $person = $this->boards->person($client);
            foreach ($this->boards->placer($this->boards->style($client))->place($person) as $placement) {
                $this->placed($client, $placement);
            }
            $this->store($client, $this->plannedIfAllowed($client));
        });
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
            $state = new Node($forward ? $change->after : $change->before);
            $standing = $state->optionalChild('standing');
            if ($standing !== null) {
                $rung = $standing->optionalString('rung');
                $stand = $rung === null ? null : new Stand($this->data->library()->rung($rung), $standing->int('step'), Basis::from($standing->string('basis')));
                $this->stand($locked, $standing->string('ladder'), $stand, [sprintf('%s: %s.', $forward ? 'Done again' : 'Undone', $change->label)]);
            }
            if (array_key_exists('style', $forward ? $change->after : $change->before)) {
                $locked->style = $state->optionalString('style');
            }
            $program = $state->opaque('program');
            if ($program === null) {
                Program::query()->ofClient($locked)->delete();
            } else {
                $this->storeDocument($locked, $program);
            }
            $change->undone = ! $forward;
            $change->save();
        });
    }

    /** @param  callable(Client): void  $act */
    private function change(Client $client, int $version, callable $act): void
    {
        DB::transaction(function () use ($client, $version, $act): void {
            $locked = Client::query()->ofStudio($client->studio_id)->whereKey($client->id)->locked()->firstOrFail();
            if ($locked->version !== $version) {
                throw new StaleVersion($this->view->of($this->boards->load($locked)));
            }
            $act($locked);
            $locked->version++;
            $locked->save();
        });
    }

    private function planned(Client $client): Plan
    {
        $person = $this->boards->person($client);
        if ($person->screen === null || $person->days === null) {
            throw UnusableInput::at('/', 'the screen and the days are needed before a week is planned');
        }
        if ((new SafetyScreen)->referrals($person) !== []) {
            throw UnusableInput::at('/', 'planning stops here until a clinician has seen the client');
        }
        $style = $this->boards->style($client);
        $planner = new WeekPlanner($this->data->library(), $style, $this->data->goals(), $this->boards->placer($style));

        return $planner->plan($person, 1, $this->boards->standings($client), $client->used_ladders);
    }

    private function edit(Client $client): ProgramEdit
    {
        return new ProgramEdit($this->data->library(), new DoseChooser($this->boards->style($client)));
    }

    /**
     * @param  array{string, ?Stand}|null  $standBefore  ladder and standing, where the change moves one
     * @param  array{string, ?Stand}|null  $standAfter
     */
    private function record(Client $client, Trainer $trainer, string $label, ?array $standBefore, ?array $standAfter, ?Plan $before, ?Plan $after): Change
    {
        Change::query()->ofClient($client)->where('undone', true)->delete();

        return Change::query()->create([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'trainer_id' => $trainer->id,
            'label' => mb_substr($label, 0, 200),
            'before' => $this->state($standBefore, $before),
            'after' => $this->state($standAfter, $after),
            'undone' => false,
        ]);
    }

    /**
     * @param  array{string, ?Stand}|null  $stand
     * @return array<string, mixed>
     */
    private function state(?array $stand, ?Plan $program): array
    {
        return [
            'standing' => $stand === null ? null : [
                'ladder' => $stand[0],
                'rung' => $stand[1]?->rung->id,
                'step' => $stand[1]->step ?? 0,
                'basis' => ($stand[1]->basis ?? Basis::None)->value,
            ],
            'program' => $program === null ? null : (new ProgramJson($this->data->storedClients()))->write($program),
        ];
    }

    private function placed(Client $client, Placement $placement): void
    {
        $stand = $placement->rung === null ? null : new Stand($placement->rung, $placement->step, $placement->basis);
        $this->stand($client, $placement->ladder->id, $stand, $placement->why);
    }

    /** @param  list<string>  $why */
    private function stand(Client $client, string $ladder, ?Stand $stand, array $why): void
    {
        Standing::query()->create([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'ladder' => $ladder,
            'rung' => $stand?->rung->id,
            'step' => $stand->step ?? 0,
            'basis' => ($stand->basis ?? Basis::None)->value,
            'why' => $why,
        ]);
    }

    private function store(Client $client, ?Plan $program): void
    {
        if ($program !== null) {
            $this->storeDocument($client, (new ProgramJson($this->data->storedClients()))->write($program));
        }
    }

    /** @param  array<string, mixed>  $document */
    private function storeDocument(Client $client, array $document): void
    {
        Program::query()->updateOrCreate(
            ['studio_id' => $client->studio_id, 'client_id' => $client->id],
            ['document' => $document],
        );
    }
}
