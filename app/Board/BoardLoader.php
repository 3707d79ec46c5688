<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Change;
use App\Models\Client;
use App\Models\Program;
use App\Models\Standing;
use EvenRungs\Core\Body\Client as Person;
use EvenRungs\Core\Body\SafetyScreen;
use EvenRungs\Core\Placement\Basis;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Standing as Stand;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Session\Program as Plan;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\DataFolder;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramJson;

/**
 * Reads a client's rows into the core's terms.
 */
final class BoardLoader
{
    public function __construct(private readonly DataFolder $data, private readonly Screening $screening)
    {
    }

    public function load(Client $record): Board
    {
        $style = $this->style($record);
        $standings = $this->standings($record);
        $person = $this->readPerson($record, $standings);
        $next = static fn (bool $undone): ?string => Change::query()->ofClient($record)->where('undone', $undone)->ordered('id', $undone ? 'asc' : 'desc')->first()?->label;

        return new Board(
            $record,
            $person,
            $style,
            $this->placer($style)->place($person, $standings),
            $this->program($record),
            (new SafetyScreen)->referrals($person),
            $next(false),
            $next(true),
        );
    }

    /** The client's document, with what the moves on the ladders have shown since. */
    public function person(Client $record): Person
    {
        return $this->readPerson($record, $this->standings($record));
    }

    /** @param  array<string, Stand>  $standings  by ladder */
    private function readPerson(Client $record, array $standings): Person
    {
        $person = $this->data->storedClients()->read(new Node($record->document))->withShown($this->shown($standings));

        return $this->screening->withClearances($record, $person);
    }

    /**
     * Who was moved up by the trainer has done the rung below clean, and the rung itself on its last dose.
     *
     * @param  array<string, Stand>  $standings  by ladder
     * @return array<string, string> rung by ladder
     */
    private function shown(array $standings): array
    {
        $shown = [];
        foreach ($standings as $ladderId => $standing) {
            $ladder = $this->data->library()->ladderOf($standing->rung);
            $index = (int) $ladder->indexOf($standing->rung->id) - ($standing->step < count($standing->rung->steps) - 1 ? 1 : 0);
            if ($standing->basis === Basis::HighestClean && $index >= 0) {
                $shown[$ladderId] = $ladder->rungs[$index]->id;
            }
        }

        return $shown;
    }

    public function program(Client $record): ?Plan
    {
        $row = Program::query()->ofClient($record)->current()->first();

        return $row === null ? null : $this->read($row);
    }

    public function read(Program $row): Plan
    {
        return (new ProgramJson($this->data->storedClients()))->read(new Node($row->document));
    }

    /** @return array<string, Stand> where the client stands, by ladder, from the newest move of each */
    public function standings(Client $record): array
    {
        $library = $this->data->library();
        $standings = [];
        foreach (Standing::query()->ofClient($record)->newestOfEachLadder()->get() as $row) {
            if ($row->rung !== null && $library->hasRung($row->rung)) {
                $standings[$row->ladder] = new Stand($library->rung($row->rung), $row->step, Basis::from($row->basis), $row->why);
            }
        }

        return $standings;
    }

    /** The house style that a client's plan follows. */
    public function style(Client $record): Style
    {
        $known = in_array($record->style, $this->data->styleNames(), true);

        return $this->data->style($known ? (string) $record->style : DataFolder::DEFAULT_STYLE);
    }

    public function placer(Style $style): Placer
    {
        return new Placer($this->data->library(), new Swaps($this->data->library(), $style->plan->withoutLadders));
    }
}
