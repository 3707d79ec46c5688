<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Change;
use App\Models\Clearance;
use App\Models\Client;
use App\Models\Program;
use App\Models\Trainer;
use EvenRungs\Core\Body\Client as Person;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Basis;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Standing as Stand;
use EvenRungs\Core\Planning\Calendar;
use EvenRungs\Core\Planning\CopyChange;
use EvenRungs\Core\Planning\WeekPlanner;
use EvenRungs\Core\Session\Program as Plan;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\DataFolder;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Every change to a client's standing and program.
 */
final class ClientCommands
{
    private const MOST_AIMS = 6;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
        private readonly Screening $screening,
    ) {
    }

    /** Lets the client stand on another rung of a ladder, or on another step of the same; the note says why. */
    public function move(Client $client, Trainer $trainer, int $version, string $rungId, int $step, ?string $note = null): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $rungId, $step, $note): void {
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
            $edited = $program === null ? null : $this->planner->edit($locked)->standOn($program, $rung, $step, $person, $this->planner->progression($locked), $this->planner->goal($locked));
            $label = $before?->rung === $rung
                ? sprintf('%s, step %d', $rung->name, $step + 1)
                : sprintf('%s to %s', $library->ladderOf($rung)->name, $rung->name);
            $this->record($locked, $trainer, $label, $program, $edited, [$rung->ladder, $before], [$rung->ladder, $after]);
            $this->ledger->stand($locked, $rung->ladder, $after, [sprintf('Moved by %s%s.', $trainer->name, $note === null ? '' : ': '.rtrim($note, '. '))]);
            $this->ledger->store($locked, $edited);
        });
    }

    /** Gives one entry of the week another dose, written as trainers write it. */
    public function changeDose(Client $client, Trainer $trainer, int $version, Node $body): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $body): void {
            $program = $this->boards->program($locked) ?? throw UnusableInput::at('/', 'there is no program yet');
            try {
                $dose = Shorthand::parse($body->string('dose'));
                $edited = $this->planner->edit($locked)->changeDose($program, $body->int('week'), $body->int('session'), $body->int('block'), $body->int('entry'), $dose);
            } catch (InvalidValue $e) {
                throw UnusableInput::at('/dose', $e->getMessage());
            }
            $this->record($locked, $trainer, sprintf('Dose %s', Shorthand::write($dose)), $program, $edited);
            $this->ledger->store($locked, $edited);
        });
    }

    /** Puts another exercise in the place of one entry of the week. */
    public function swap(Client $client, Trainer $trainer, int $version, Node $body): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $body): void {
            $program = $this->boards->program($locked) ?? throw UnusableInput::at('/', 'there is no program yet');
            $person = $this->boards->person($locked);
            $rung = $this->allowed($body->string('rung'), $person);
            try {
                $edited = $this->planner->edit($locked)->swap($program, $body->int('week'), $body->int('session'), $body->int('block'), $body->int('entry'), $rung, $person);
            } catch (InvalidValue $e) {
                throw UnusableInput::at('/entry', $e->getMessage());
            }
            $this->record($locked, $trainer, sprintf('Swapped for %s', $rung->name), $program, $edited);
            $this->ledger->store($locked, $edited);
        });
    }

    /** Puts a rung on the wall as an aim, or takes it off. */
    public function aim(Client $client, int $version, string $rungId, bool $wanted): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($rungId, $wanted): void {
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
        $this->ledger->change($client, $version, function (Client $locked) use ($ladders): void {
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
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $style): void {
            $this->checkStyle($style);
            $old = $locked->style;
            $locked->style = $style;
            $program = $this->boards->program($locked);
            $planned = $this->planner->plannedIfAllowed($locked, $this->weeksOf($program));
            if ($planned !== null) {
                $this->ledger->record(
                    $locked,
                    $trainer,
                    sprintf('Planned by %s', $this->boards->style($locked)->name),
                    [...$this->ledger->state($locked, $program), 'style' => $old],
                    [...$this->ledger->state($locked, $planned), 'style' => $style],
                );
                $this->ledger->store($locked, $planned);
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

        return $this->boards->load($other)->with($this->planner->planned($other, 1));
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

    /** Plans the program in use anew from where the client stands, as many weeks as it has. */
    public function plan(Client $client, Trainer $trainer, int $version): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer): void {
            $program = $this->boards->program($locked);
            $planned = $this->planner->planned($locked, $this->weeksOf($program));
            $this->record($locked, $trainer, 'Planned anew', $program, $planned);
            $this->ledger->store($locked, $planned);
        });
    }

    private function weeksOf(?Plan $program): int
    {
        return min(WeekPlanner::MOST_WEEKS, max(1, count($program->weeks ?? []) ?: ClientPlanner::USUAL_WEEKS));
    }

    /**
     * @param  array{string, ?Stand}|null  $standBefore  ladder and standing, where the change moves one
     * @param  array{string, ?Stand}|null  $standAfter
     */
    private function record(Client $client, Trainer $trainer, string $label, ?Plan $before, ?Plan $after, ?array $standBefore = null, ?array $standAfter = null): void
    {
        $this->ledger->record($client, $trainer, $label, $this->ledger->state($client, $before, $standBefore), $this->ledger->state($client, $after, $standAfter));
    }

    /**
     * Replaces what is known of the client. Ladders whose tests or ability changed are placed anew, the program in use is
     * planned anew, or kept aside where planning stops, and what could be undone before cannot be any more.
     *
     * @param  array<string, mixed>  $document  even-rungs/client
     * @param  ?string  $asked  day on which the screen was asked again; null where it was not
     */
    public function update(Client $client, Trainer $trainer, int $version, array $document, ?string $asked = null): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $document, $asked): void {
            $before = $this->measured($locked->document, $this->boards->style($locked));
            $after = $this->measured($document, $this->boards->style($locked));
            $medical = $this->medical($locked->document);
            $locked->document = $document;
            if (array_diff($this->medical($document), $medical) !== [] && ($document['screen']['cleared'] ?? false) === true && isset($locked->document['screen'])) {
                // what was cleared before says nothing of a condition that is new
                $locked->document = [...$document, 'screen' => [...$document['screen'], 'cleared' => false]];
            }
            $person = $this->boards->person($locked);
            $locked->name = $person->name;
            $this->screening->keep($locked, $trainer, $this->data->storedClients()->read(new Node($locked->document)), $asked !== null, $asked ?? Carbon::today()->toDateString());
            foreach ($after as $ladder => $placement) {
                $old = $before[$ladder] ?? null;
                if ($old?->rung !== $placement->rung || $old?->basis !== $placement->basis) {
                    $this->ledger->placed($locked, $placement);
                }
            }
            $this->planAgain($locked);
        });
    }

    /** After a change that cannot be undone. */
    private function planAgain(Client $locked): void
    {
        Change::query()->ofClient($locked)->delete();
        $planned = $this->planner->plannedIfAllowed($locked, $this->weeksOf($this->boards->program($locked)));
        if ($planned === null) {
            Program::query()->ofClient($locked)->update(['current' => false]);
        }
        $this->ledger->store($locked, $planned);
    }

    /**
     * Asks the screen again: every flag answered, the limits as they are today.
     *
     * @throws UnusableInput when the day is none, or lies ahead
     */
    public function screen(Client $client, Trainer $trainer, Node $body): void
    {
        $on = self::pastDay($body, 'on');
        $document = $client->document;
        $document['limits'] = $body->opaque('limits') === null ? [] : array_values($body->opaque('limits'));
        $document['screen'] = [...($document['screen'] ?? []), 'flags' => $body->strings('flags')];
        $this->update($client, $trainer, $body->int('version'), $document, $on);
    }

    /**
     * Records what a licensed practitioner allowed, and plans where that lifts the last stop.
     *
     * @throws UnusableInput when the day is none, or lies ahead
     */
    public function clear(Client $client, Trainer $trainer, Node $body): void
    {
        $on = self::pastDay($body, 'on');
        $this->ledger->change($client, $body->int('version'), function (Client $locked) use ($trainer, $body, $on): void {
            Clearance::query()->create([
                'studio_id' => $locked->studio_id,
                'client_id' => $locked->id,
                'trainer_id' => $trainer->id,
                'who' => $body->string('who'),
                'role' => $body->string('role'),
                'on' => $on,
                'covers' => $body->strings('covers'),
                'note' => $body->optionalString('note'),
            ]);
            $this->planAgain($locked);
        });
    }

    /** Takes a clearance back; planning stops again where nothing else lifts what it covered. */
    public function withdraw(Client $client, int $version, int $clearance): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($clearance): void {
            Clearance::query()->ofClient($locked)->whereKey($clearance)->firstOrFail()->update(['withdrawn_at' => Carbon::now()]);
            $this->planAgain($locked);
        });
    }

    public static function pastDay(Node $body, string $field): string
    {
        $text = $body->string($field);
        [$year, $month, $day] = array_map(intval(...), explode('-', $text));
        if (! checkdate($month, $day, $year)) {
            throw UnusableInput::at('/'.$field, 'is not a day of the calendar');
        }
        // a trainer east of the server may already have tomorrow
        if ($text > Carbon::tomorrow()->toDateString()) {
            throw UnusableInput::at('/'.$field, 'lies ahead');
        }

        return $text;
    }

    /**
     * @param  array<string, mixed>  $document
     * @return list<string> medical limits
     */
    private function medical(array $document): array
    {
        $ids = array_map(static fn (mixed $limit): mixed => is_array($limit) ? $limit['limit'] ?? null : $limit, is_array($document['limits'] ?? null) ? $document['limits'] : []);

        return array_values(array_filter($ids, fn (mixed $id): bool => is_string($id) && ($this->data->library()->limits[$id] ?? null)?->medical === true));
    }

    public function archive(Client $client, int $version, bool $archived): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($archived): void {
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

    /** Places a new client on every ladder and plans the first week where that is allowed. Cannot be undone. */
    public function start(Client $client, ?Trainer $trainer = null): void
    {
        DB::transaction(function () use ($client, $trainer): void {
            $person = $this->boards->person($client);
            foreach ($this->boards->placer($this->boards->style($client))->place($person) as $placement) {
                $this->ledger->placed($client, $placement);
            }
            $this->screening->keep($client, $trainer, $this->data->storedClients()->read(new Node($client->document)), false, Carbon::today()->toDateString());
            $this->ledger->store($client, $this->planner->plannedIfAllowed($client, ClientPlanner::USUAL_WEEKS));
        });
    }

    public function undo(Client $client, int $version): void
    {
        $this->ledger->undo($client, $version);
    }

    public function redo(Client $client, int $version): void
    {
        $this->ledger->redo($client, $version);
    }

    /**
     * Begins another program; the one in use is kept aside.
     *
     * @param  int  $weeks  1 to 12
     */
    public function begin(Client $client, Trainer $trainer, int $version, int $weeks, Calendar $calendar = new Calendar): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $weeks, $calendar): void {
            $this->replaceProgram($locked, $trainer, sprintf('New program of %s', $weeks === 1 ? 'one week' : $weeks.' weeks'), $this->planner->planned($locked, $weeks, $calendar));
        });
    }

    /** Puts a kept program in use again. */
    public function open(Client $client, Trainer $trainer, int $version, string $program): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $program): void {
            $this->planner->checkMayPlan($locked);
            $row = Program::query()->ofClient($locked)->whereKey($program)->firstOrFail();
            $before = $this->ledger->state($locked, $this->boards->program($locked));
            Program::query()->ofClient($locked)->update(['current' => false]);
            $row->update(['current' => true]);
            $this->ledger->record($locked, $trainer, sprintf('In use again: %s', $row->document['title'] ?? 'a program'), $before, $this->ledger->state($locked, $this->boards->program($locked)));
        });
    }

    /**
     * What a program of another client would be for this one. Nothing is stored.
     *
     * @return array{Plan, list<CopyChange>}
     *
     * @throws UnusableInput when this client may not be planned for
     */
    public function copied(Client $client, Program $program): array
    {
        $this->planner->checkMayPlan($client);

        return $this->planner->copy($client)->to($this->boards->read($program), $this->boards->person($client), $this->planner->goal($client), $this->boards->standings($client));
    }

    /** Begins a program copied from another client. */
    public function copy(Client $client, Trainer $trainer, int $version, Program $program): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $program): void {
            $this->replaceProgram($locked, $trainer, 'Program copied', $this->copied($locked, $program)[0]);
        });
    }

    private function replaceProgram(Client $locked, Trainer $trainer, string $label, Plan $plan): void
    {
        $before = $this->ledger->state($locked, $this->boards->program($locked));
        $row = $this->ledger->begin($locked, $plan);
        $this->ledger->record($locked, $trainer, $label, $before, [...$this->ledger->state($locked, $plan), 'new_program' => $row->id]);
    }
}
