<?php

declare(strict_types=1);

namespace App\Planning;

use App\Clients\Screening;
use App\Models\Change;
use App\Models\Clearance;
use App\Models\Client;
use App\Models\Program;
use App\Models\Trainer;
use App\Support\Ledger;
use App\Support\StudioDay;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Clearance as Lifted;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Client\Flag;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Client\Urgency;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\DoseRange;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Planning\Edit\CopyChange;
use EvenRungs\Core\Planning\Edit\ProgramEdit;
use EvenRungs\Core\Planning\Week\Calendar;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Program as Plan;
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

    /**
     * Lets the client stand on another rung of a ladder, or on another step of the same; the note says why.
     *
     * @param  ?Range  $range  done at now, where that is less than the step has
     */
    public function move(Client $client, Trainer $trainer, int $version, string $rungId, int $step, ?string $note = null, ?Range $range = null): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $rungId, $step, $note, $range): void {
            $library = $this->data->library();
            $person = $this->boards->person($locked);
            $rung = $this->rung($rungId);
            $steps = $this->planner->steps($locked);
            if ($step > $steps->last($rung)) {
                throw UnusableInput::at('/step', sprintf('must be under %d on this rung', count($steps->of($rung))));
            }
            $this->allowed($rungId, $person);
            [$step, $range] = $steps->settle($rung, $step, $range);
            $before = $this->boards->standings($locked)[$rung->ladder] ?? null;
            $board = $this->boards->load($locked);
            $program = $board->program;
            [$edited, $given] = $this->stoodOn($board, new Position($rung, $step, $range));
            $label = $before?->rung === $rung->id
                ? sprintf('%s, step %d', $rung->name, $step + 1)
                : sprintf('%s to %s', $library->ladderOf($rung)->name, $rung->name);
            $was = $this->ledger->state($locked, $program, $rung->ladder, $before);
            $after = $this->ledger->stand($locked, $rung->ladder, new Position($rung, $step, $range), Basis::HighestClean, [sprintf('Moved by %s%s.', $trainer->name, $note === null ? '' : ': '.rtrim($note, '. '))]);
            $this->ledger->record($locked, $trainer, $given === [] ? $label : sprintf('%s; %s', $label, implode('; ', $given)), $was, $this->ledger->state($locked, $edited, $rung->ladder, $after));
            $this->ledger->store($locked, $edited);
        });
    }

    /**
     * The program with a client on another place of a ladder, back inside the minutes.
     *
     * @return array{?Plan, list<string>} the program, and what gives way for it
     */
    private function stoodOn(Board $board, Position $to): array
    {
        if ($board->program === null) {
            return [null, []];
        }
        $library = $this->data->library();
        $client = $board->client->standing([...$board->client->standings, $to->rung->ladder => new Standing($to->rung, $to->step, $to->range)]);
        $progression = new Progression($library, $board->style, $board->steps(), $board->goal);
        $edited = (new ProgramEdit($library, $board->steps()))->standOn($board->program, $to->rung, $to->step, $to->range, $client, $progression, PresentWeek::of($board->program));

        return $this->planner->refitted($edited, $client);
    }

    /**
     * What would give way in the weeks ahead; nothing is stored.
     *
     * @return list<string>
     */
    public function givesWay(Board $board, Position $to): array
    {
        return $this->stoodOn($board, $to)[1];
    }

    /** Takes a stopped ladder out of the weeks ahead; what spares it stands in where there is one. */
    public function halt(Client $client, Trainer $trainer, int $version, string $ladder, ?Rung $swap): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $ladder, $swap): void {
            $program = $this->boards->program($locked);
            if ($program === null) {
                return;
            }
            [$edited] = $this->planner->refitted($this->planner->edit($locked)->instead($program, $ladder, $swap), $this->boards->person($locked));
            $label = sprintf('%s stopped%s', $this->data->library()->ladder($ladder)->name, $swap === null ? '' : ', '.lcfirst($swap->name).' in its place');
            $this->ledger->record($locked, $trainer, $label, $this->ledger->state($locked, $program), $this->ledger->state($locked, $edited));
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
                $this->checkFar($locked, $program, $body, $dose);
                $edited = $this->planner->edit($locked)->changeDose($program, $body->int('week'), $body->int('session'), $body->int('block'), $body->int('entry'), $dose);
            } catch (InvalidValue $e) {
                throw UnusableInput::at('/dose', $e->getMessage());
            }
            $this->record($locked, $trainer, sprintf('Dose %s', Shorthand::write($dose)), $program, $edited);
            $this->ledger->store($locked, $edited);
        });
    }

    /**
     * A dose of over twice the top of its rung, or of over six sets, is asked for once.
     *
     * @throws UnusableInput at /sure
     */
    private function checkFar(Client $client, Plan $program, Node $body, Dose $dose): void
    {
        $session = ($program->weeks[$body->int('week')] ?? null)?->sessions[$body->int('session')] ?? null;
        $block = $session?->blocks[$body->int('block')] ?? null;
        $entry = $block?->entries()[$body->int('entry')] ?? null;
        $rung = $entry === null ? null : $this->data->library()->find($entry->exercise);
        $range = $rung === null ? null : DoseRange::outside($dose, $this->planner->steps($client)->of($rung), $block instanceof CircuitBlock ? $block->rounds : $dose->sets);
        if ($range?->isFar === true && ! $body->bool('sure')) {
            throw UnusableInput::at('/sure', sprintf('%s: is that meant?', $range->text));
        }
    }

    /** Puts another exercise in the place of one entry of the week. */
    public function swap(Client $client, Trainer $trainer, int $version, Node $body): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $body): void {
            $program = $this->boards->program($locked) ?? throw UnusableInput::at('/', 'there is no program yet');
            $person = $this->boards->person($locked);
            $rung = $this->allowed($body->string('rung'), $person);
            try {
                $edited = $this->planner->edit($locked)->swap($program, $body->int('week'), $body->int('session'), $body->int('block'), $body->int('entry'), $rung);
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

    private function record(Client $client, Trainer $trainer, string $label, ?Plan $before, ?Plan $after): void
    {
        $this->ledger->record($client, $trainer, $label, $this->ledger->state($client, $before), $this->ledger->state($client, $after));
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
            $locked->document = $document;
            $person = $this->boards->person($locked);
            $locked->name = $person->name;
            $this->screening->keep($locked, $trainer, $this->data->storedClients()->read(new Node($locked->document)), $asked !== null, $asked ?? StudioDay::today()->toDateString());
            foreach ($after as $ladder => $placement) {
                $old = $before[$ladder] ?? null;
                if ($old?->rung !== $placement->rung || ($old->step ?? null) !== $placement->step || $old?->basis !== $placement->basis) {
                    $this->ledger->placed($locked, $placement, $person);
                }
            }
            $this->ledger->settle($locked);
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
        $until = $body->optionalDay('until')?->format('Y-m-d');
        if ($until !== null && $until < $on) {
            throw UnusableInput::at('/until', 'lies before the day of the clearance');
        }
        $this->ledger->change($client, $body->int('version'), function (Client $locked) use ($trainer, $body, $on, $until): void {
            $covers = $this->liftable($body, $locked);
            Clearance::query()->create([
                'studio_id' => $locked->studio_id,
                'client_id' => $locked->id,
                'trainer_id' => $trainer->id,
                'who' => $body->string('who'),
                'role' => $body->string('role'),
                'on' => $on,
                'covers' => $covers,
                'until' => $until,
                'max_level' => $body->optionalInt('max_level'),
                'note' => $body->optionalString('note'),
            ]);
            $this->planAgain($locked);
        });
    }

    /**
     * @return list<string>
     *
     * @throws UnusableInput where there is nothing of that name to lift, or the day is not after an emergency or a stop
     */
    private function liftable(Node $body, Client $client): array
    {
        $library = $this->data->library();
        foreach ($body->strings('covers') as $i => $id) {
            $known = isset($this->data->flags()[$id]) || isset($library->limits[$id]) || in_array($id, [Lifted::STOP_OF_ALL, Lifted::MONITORED_PAIN], true)
                || (str_starts_with($id, 'stop:') && $library->hasLadder(substr($id, 5)));
            if (! $known) {
                throw UnusableInput::at('/covers/'.$i, sprintf('there is no "%s" to lift', mb_substr($id, 0, 60)));
            }
        }

        $person = $this->boards->person($client);
        $flags = array_column(array_map(static fn (Flag $flag): array => [$flag->id, $flag], $person->screen->flags ?? []), 1, 0);
        foreach ($body->strings('covers') as $id) {
            $since = match (true) {
                $id === Lifted::STOP_OF_ALL => $person->stopped?->on,
                str_starts_with($id, 'stop:') => ($person->standings[substr($id, 5)] ?? null)?->stopped,
                isset($flags[$id]) && $flags[$id]->urgency === Urgency::Emergency => $person->screen?->on,
                default => null,
            };
            if ($since !== null && $body->string('on') <= $since->format('Y-m-d')) {
                throw UnusableInput::at('/on', sprintf('must be a later day than %s: an emergency or a stop is lifted only by what a clinician says after it', $since->format('j F Y')));
            }
        }

        return $body->strings('covers');
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
        foreach ((new Placer($this->data->library(), $style))->place($this->data->storedClients()->read(new Node($free))) as $placement) {
            $placements[$placement->ladder->id] = $placement;
        }

        return $placements;
    }

    /** Places a new client on every ladder and plans the first week where that is allowed. Cannot be undone. */
    public function start(Client $client, ?Trainer $trainer = null): void
    {
        DB::transaction(function () use ($client, $trainer): void {
            $person = $this->boards->person($client);
            foreach ((new Placer($this->data->library(), $this->boards->style($client)))->place($person) as $placement) {
                $this->ledger->placed($client, $placement, $person);
            }
            $this->screening->keep($client, $trainer, $this->data->storedClients()->read(new Node($client->document)), false, StudioDay::today()->toDateString());
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
            $person = $this->boards->person($locked);
            $old = $this->boards->read($row);
            [$copied, $changes] = $this->planner->copy($locked)->to($old, $person, $this->planner->goal($locked));
            [$fitted] = $this->planner->refitted($copied, $person);
            Program::query()->ofClient($locked)->update(['current' => false]);
            $row->update(['current' => true, 'document' => $this->ledger->written(PresentWeek::begun(new Plan($fitted->weeks, $old->title, $fitted->style, $person, $fitted->gaps, $old->x)))]);
            $label = sprintf('In use again: %s%s', $old->title ?? 'a program', $changes === [] ? '' : sprintf(', %d exercise%s replaced', count($changes), count($changes) === 1 ? '' : 's'));
            $this->ledger->record($locked, $trainer, $label, $before, $this->ledger->state($locked, $this->boards->program($locked)));
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

        return $this->planner->copy($client)->to($this->boards->read($program), $this->boards->person($client), $this->planner->goal($client));
    }

    /** Begins a program copied from another client. */
    public function copy(Client $client, Trainer $trainer, int $version, Program $program): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $program): void {
            $this->replaceProgram($locked, $trainer, 'Program copied', PresentWeek::begun($this->copied($locked, $program)[0]));
        });
    }

    private function replaceProgram(Client $locked, Trainer $trainer, string $label, Plan $plan): void
    {
        $before = $this->ledger->state($locked, $this->boards->program($locked));
        $row = $this->ledger->begin($locked, $plan);
        $this->ledger->record($locked, $trainer, $label, $before, [...$this->ledger->state($locked, $plan), 'new_program' => $row->id]);
    }
}
