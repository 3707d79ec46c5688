<?php

declare(strict_types=1);

namespace App\Planning;

use App\Clients\Screening;
use App\Models\Client;
use App\Models\Program as ProgramRow;
use App\Models\Standing;
use App\Progress\EvenOuts;
use App\Support\ClientRows;
use App\Support\Remembered;
use App\Support\StudioDay;
use App\Today\LastLoads;
use App\Today\LoggedPain;
use DateTimeImmutable;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Client\SafetyScreen;
use EvenRungs\Core\Client\Standing as At;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\Pace;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Planning\Edit\StandingEdit;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramRefit;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\EvenedJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Storage\DataFolder;

/**
 * Reads a client's rows into the core's terms.
 */
final class BoardLoader
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly Screening $screening,
        private readonly Remembered $remembered,
    ) {
    }

    public function load(Client $record): Board
    {
        return $this->remembered->ofClient($record, 'board', fn (): Board => $this->board($record));
    }

    private function board(Client $record): Board
    {
        $style = $this->style($record);
        $person = $this->person($record);
        $goal = GoalRule::for($person, $this->data->goals());
        $rows = ClientRows::of($record);
        [$undo, $redo] = $rows->labels();

        return new Board(
            $record,
            $person,
            $style,
            $goal,
            (new Placer($this->data->library(), $style))->place($person),
            $this->program($record),
            (new SafetyScreen)->referrals($person),
            $undo,
            $redo,
            $rows->planned(),
            LastLoads::of($record),
            $rows->trained(),
        );
    }

    /** The client as they are known today: document, standings, stops and clearances. */
    public function person(Client $record): Person
    {
        return $this->remembered->ofClient($record, 'person', fn (): Person => $this->known($record));
    }

    private function known(Client $record): Person
    {
        $person = $this->data->storedClients()->read(new Node($this->document($record)), StudioDay::today()->toDateTimeImmutable());
        $rows = $this->standings($record);
        $standings = [];
        foreach ($person->standings as $ladder => $each) {
            $standings[$ladder] = new At(
                $each->rung,
                $each->step,
                $each->range,
                $each->dose,
                $each->arrived,
                $each->stopped,
                $rows[$ladder]->why,
                Basis::from($rows[$ladder]->basis),
            );
        }

        return $person->standing($standings);
    }

    /**
     * The whole document of a client: what the command line needs to say the same as the pages.
     *
     * @return array<string, mixed> even-rungs/client
     */
    public function document(Client $record): array
    {
        $stops = LoggedPain::stops($record);
        $standings = [];
        foreach ($this->standings($record) as $row) {
            $standings[$row->ladder] = array_filter([
                'rung' => $row->rung,
                'step' => $row->step,
                ...($row->range ?? []),
                'arrived' => null,
                'dose' => $row->dose,
                'stopped' => $stops->onLadder($row->ladder),
            ], static fn (mixed $value): bool => $value !== null);
        }
        foreach ($this->arrived($record) as $ladder => $day) {
            if (isset($standings[$ladder])) {
                $standings[$ladder]['arrived'] = $day->format('Y-m-d');
            }
        }
        $document = $record->document;
        $screen = is_array($document['screen'] ?? null) ? $document['screen'] : null;
        $asked = $screen === null ? null : $this->screening->askedOn($record);
        $clearances = $this->screening->inForce($record);
        $x = [
            ...is_array($document['x'] ?? null) ? $document['x'] : [],
            ...EvenedJson::write(EvenOuts::held($record), EvenOuts::sides($record)),
        ];

        return [
            ...$document,
            'as_of' => StudioDay::today()->toDateString(),
            ...($screen === null ? [] : ['screen' => [...$screen, 'cleared' => false, ...($asked === null ? [] : ['on' => $asked])]]),
            ...($standings === [] ? [] : ['standings' => $standings]),
            ...($stops->all === null ? [] : ['stopped' => $stops->all]),
            ...($clearances === [] ? [] : ['clearances' => $clearances]),
            ...(
                $record->used_ladders === null ? [] : [
                    'ladders' => array_values(array_filter($record->used_ladders, $this->data->library()->hasLadder(...))),
                ]
            ),
            ...($x === [] ? [] : ['x' => $x]),
        ];
    }

    /**
     * The day of the move to the rung of each ladder, from the list of moves.
     *
     * @param  bool  $placed  whether the first placement is a move: who was placed there may have trained the rung before
     * @return array<string, DateTimeImmutable> by ladder
     */
    public function arrived(Client $record, bool $placed = false): array
    {
        $arrived = [];
        $rungs = [];
        foreach (ClientRows::of($record)->moves() as $row) {
            $isFirst = ! isset($rungs[$row->ladder]);
            if ($isFirst ? $placed : $rungs[$row->ladder] !== $row->rung) {
                $arrived[$row->ladder] = new DateTimeImmutable(substr((string) $row->created_at, 0, 10));
            }
            $rungs[$row->ladder] = $row->rung;
        }

        return $arrived;
    }

    /**
     * The program in use: what it expected of the present week and did not get is taken back, and the extra sets of a weaker side are in it
     * as long as they are needed.
     */
    public function program(Client $record): ?Program
    {
        return $this->remembered->ofClient($record, 'program', fn (): ?Program => $this->inUse($record));
    }

    private function inUse(Client $record): ?Program
    {
        $row = ClientRows::of($record)->program();
        $program = $row === null ? null : $this->read($row);
        if ($program === null) {
            return null;
        }
        $library = $this->data->library();
        $present = PresentWeek::of($program);
        $person = $this->person($record);
        $caughtUp = $present === 1 ? $program : $this->caughtUp($record, $program, $person, $present);
        $evened = ExtraSet::into($caughtUp, $person->extraSets, $library, $present);

        return $evened === $program ? $program : ProgramRefit::of($library)->into($evened, $person)[0];
    }

    private function caughtUp(Client $record, Program $program, Person $person, int $present): Program
    {
        $library = $this->data->library();
        $style = $this->style($record);
        $steps = new Steps($style, $person);

        return (new StandingEdit($library, $steps))->caughtUp(
            $program,
            $person,
            new Progression($library, $style, $steps, GoalRule::for($person, $this->data->goals()), Pace::of($program)),
            $present,
        );
    }

    public function read(ProgramRow $row): Program
    {
        return (new ProgramJson($this->data->storedClients()))->read(new Node($row->document));
    }

    /** @return array<string, Standing> where the client stands, by ladder: the newest move of each that leads to a rung of the library */
    public function standings(Client $record): array
    {
        $library = $this->data->library();
        $standings = [];
        foreach (ClientRows::of($record)->standings() as $row) {
            if ($row->rung !== null && $library->hasRung($row->rung) && $library->rung($row->rung)->ladder === $row->ladder) {
                $standings[$row->ladder] = $row;
            }
        }

        return $standings;
    }

    /** The house style that a client's plan follows. */
    public function style(Client $record): Style
    {
        return $this->remembered->once('style '.$record->style, function () use ($record): Style {
            $known = in_array($record->style, $this->data->styleNames(), true);

            return $this->data->style($known ? (string) $record->style : DataFolder::DEFAULT_STYLE);
        });
    }
}
