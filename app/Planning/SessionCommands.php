<?php

declare(strict_types=1);

namespace App\Planning;

use App\Audit\Audits;
use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use App\Support\StudioDay;
use DateTimeImmutable;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\DoseRange;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Planning\Week\MissedSession;
use EvenRungs\Core\Program\Block;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Shift;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * Changes to single sessions of a client's program. Each can be undone.
 */
final class SessionCommands
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
        private readonly Audits $audits,
    ) {
    }

    /**
     * @param  ?int  $place  of the session in its week, from 1; null puts it behind the others
     * @param  ?string  $insist  why something barred is kept all the same, or a dose that is far from usual
     */
    public function save(
        Client $client,
        Trainer $trainer,
        int $version,
        int $week,
        ?int $place,
        Session $session,
        ?string $insist = null,
    ): void {
        $session = $this->insisted($client, $trainer, [$session], $insist)[0];
        $this->change($client, $trainer, $version, sprintf(
            'Session of %s',
            $session->day->label(),
        ), fn (Program $program): Program => $this->inWeek($program, $week, function (Week $found) use ($place, $session): array {
            $sessions = $found->sessions;
            if ($place === null) {
                $sessions[] = $this->told($session);
            } elseif (isset($sessions[$place - 1])) {
                $sessions[$place - 1] = $this->told($session);
            } else {
                throw UnusableInput::at('/place', 'there is no such session');
            }

            return $sessions;
        }));
    }

    public function remove(Client $client, Trainer $trainer, int $version, int $week, int $place): void
    {
        $this->change(
            $client,
            $trainer,
            $version,
            'Session taken out',
            static fn (Program $program): Program => $program->changeSession($week - 1, $place - 1, static fn (): ?Session => null),
        );
    }

    public function move(Client $client, Trainer $trainer, int $version, int $week, int $place, Weekday $day, bool $weekLater): void
    {
        $this->change(
            $client,
            $trainer,
            $version,
            sprintf('Session moved to %s', $day->label()),
            fn (Program $program): Program => $this->movedIn($program, $week, $place, $day, $weekLater),
        );
    }

    /**
     * @return array{Program, Program} before and after a move that is not made
     *
     * @throws UnusableInput when there is no such session
     */
    public function moved(Client $client, int $week, int $place, Weekday $day, bool $weekLater): array
    {
        $program = $this->boards->program($client) ?? throw UnusableInput::at('/', 'there is no program yet');

        return [$program, $this->movedIn($program, $week, $place, $day, $weekLater)];
    }

    private function movedIn(Program $program, int $week, int $place, Weekday $day, bool $weekLater): Program
    {
        $found = $program->weeks[$week - 1] ?? throw UnusableInput::at('/week', 'there is no such week');
        if (! isset($found->sessions[$place - 1])) {
            throw UnusableInput::at('/place', 'there is no such session');
        }

        return ProgramDates::moveSession(
            $program,
            $week - 1,
            $place - 1,
            $day,
            $weekLater,
        ) ?? throw UnusableInput::at('/week_later', 'the program ends with this week');
    }

    /** Says of a session that it was missed, or that it was not. */
    public function miss(Client $client, Trainer $trainer, int $version, int $week, int $place, bool $missed): void
    {
        $this->change(
            $client,
            $trainer,
            $version,
            $missed ? 'Session missed' : 'Session not missed',
            fn (Program $program): Program => $program->changeSession(
                $week - 1,
                $place - 1,
                static fn (Session $session): Session => ProgramDates::missed($session, $missed),
            ),
        );
    }

    /**
     * What can become of a session that is missed.
     *
     * @throws UnusableInput when there is no such session, or the program has no days
     */
    public function ifMissed(Client $client, int $week, int $place): MissedSession
    {
        $program = $this->boards->program($client);
        $dates = $program === null ? null : ProgramDates::of($program);
        if ($program === null || $dates === null || ! isset($program->weeks[$week - 1]->sessions[$place - 1])) {
            throw UnusableInput::at('/place', 'there is no such session');
        }

        return MissedSession::of(
            $program,
            $dates,
            $week - 1,
            $place - 1,
            StudioDay::today()->toDateTimeImmutable(),
            $this->boards->person($client),
            $this->data->library(),
            $this->boards->style($client),
        );
    }

    /**
     * On which day the program begins, and when the client is away or it goes on later.
     *
     * @param  list<Shift>  $shifts
     */
    public function dates(Client $client, Trainer $trainer, int $version, DateTimeImmutable $began, array $shifts): void
    {
        $dated = static function (Program $program) use ($began, $shifts): Program {
            $begun = ProgramDates::of($program)?->beginningOn($began) ?? PresentWeek::begun($program, $began);

            return ProgramDates::of($begun)?->shiftedBy($shifts) ?? $begun;
        };
        $this->change($client, $trainer, $version, 'Days of the program', $dated);
    }

    /** Applies the fix of one finding of the program's own audit. */
    public function mend(Client $client, Trainer $trainer, int $version, string $rule, string $where): void
    {
        $this->change($client, $trainer, $version, sprintf(
            'Mended: %s',
            $rule,
        ), fn (Program $program): Program => $program->withWeeks(array_map(
            fn (Week $week): Week => $week->withSessions(array_map($this->told(...), $week->sessions)),
            $this->audits->mended($program, $rule, $where, $this->boards->style($client), $this->boards->person($client))->weeks,
        )));
    }

    /** Begins a program that was made elsewhere. */
    public function take(Client $client, Trainer $trainer, int $version, Program $program, ?string $insist = null): void
    {
        $this->planner->checkMayPlan($client);
        $program = $program->withWeeks(
            array_map(
                fn (Week $week): Week => $week->withSessions($this->insisted($client, $trainer, $week->sessions, $insist)),
                $program->weeks,
            ),
        );
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $program): void {
            $before = $this->ledger->state($locked, $this->boards->program($locked));
            $weeks = array_map(fn (Week $week): Week => $week->withSessions(array_map($this->told(...), $week->sessions)), $program->weeks);
            $own = PresentWeek::begun(
                new Program(
                    $weeks,
                    $program->title ?? sprintf('%s: taken over', $locked->name),
                    $this->boards->style($locked)->id,
                    $this->boards->person($locked),
                    $program->gaps,
                    $program->x,
                ),
            );
            $row = $this->ledger->begin($locked, $own);
            $this->ledger->record(
                $locked,
                $trainer,
                'Program taken over',
                $before,
                [...$this->ledger->state($locked, $own), 'new_program' => $row->id],
            );
        });
    }

    /**
     * Sessions in which nothing stands that limits, age, a stop or a clearance forbid, and no dose that is far out, unless the trainer
     * says why: then that is kept with the exercise.
     *
     * @param  list<Session>  $sessions
     * @return list<Session>
     *
     * @throws UnusableInput at /insist, naming each
     */
    private function insisted(Client $client, Trainer $trainer, array $sessions, ?string $insist): array
    {
        $board = $this->boards->load($client);
        $why = trim($insist ?? '');
        $asked = [];
        $kept = [];
        foreach ($sessions as $session) {
            $blocks = [];
            foreach ($session->blocks as $block) {
                $entries = [];
                foreach ($block->entries() as $entry) {
                    $reasons = Insistence::of($entry) === null ? $this->against($board, $block, $entry) : [];
                    $asked = [...$asked, ...$reasons];
                    $entries[] = $reasons === [] || $why === '' ? $entry : Insistence::on(
                        $entry,
                        mb_substr($why, 0, 300),
                        $trainer->name,
                        StudioDay::today()->toDateString(),
                    );
                }
                $blocks[] = $entries === [] ? $block : $block->withEntries($entries);
            }
            $kept[] = $session->withBlocks($blocks);
        }
        if ($asked !== [] && $why === '') {
            throw UnusableInput::at('/insist', sprintf('say why it is kept all the same: %s', implode('. ', array_unique($asked))));
        }

        return $kept;
    }

    /** @return list<string> what speaks against an entry: what bars it, or a dose that is far from usual; at most one line */
    private function against(Board $board, Block $block, Entry $entry): array
    {
        $library = $this->data->library();
        $rung = $library->find($entry->exercise);
        if ($rung === null) {
            return [];
        }
        $range = DoseRange::outside(
            $entry->dose,
            $board->steps()->of($rung),
            $block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets,
        );
        $reasons = [
            ...Obstacles::between($board->client, $rung, $library)->safety($library),
            ...($range?->isFar === true ? [$range->text] : []),
        ];

        return $reasons === [] ? [] : [sprintf('%s %s', $rung->name, implode('; ', $reasons))];
    }

    /** @param  callable(Program): Program  $edit */
    private function change(Client $client, Trainer $trainer, int $version, string $label, callable $edit): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $label, $edit): void {
            $program = $this->boards->program($locked) ?? throw UnusableInput::at('/', 'there is no program yet');
            try {
                $edited = $edit($program);
            } catch (InvalidValue $e) {
                throw UnusableInput::of('/session', $e);
            }
            $this->ledger->record(
                $locked,
                $trainer,
                $label,
                $this->ledger->state($locked, $program),
                $this->ledger->state($locked, $edited),
            );
            $this->ledger->store($locked, $edited);
        });
    }

    /** @param  callable(Week): list<Session>  $edit */
    private function inWeek(Program $program, int $week, callable $edit): Program
    {
        $weeks = $program->weeks;
        $found = $weeks[$week - 1] ?? throw UnusableInput::at('/week', 'there is no such week');
        $sessions = $edit($found);
        usort($sessions, static fn (Session $a, Session $b): int => $a->day->number() <=> $b->day->number());
        $weeks[$week - 1] = $found->withSessions($sessions);

        return $program->withWeeks($weeks);
    }

    /** The session with its honest minutes as its claim, and every entry told which rung it is. */
    private function told(Session $session): Session
    {
        $library = $this->data->library();
        $told = $session->mapEntries(static fn (Entry $entry): Entry => self::entry($entry, $library));

        return $told->withClaimed(SessionTime::total($told, $library));
    }

    private static function entry(Entry $entry, Library $library): Entry
    {
        $rung = $library->find($entry->exercise);
        if ($rung === null || ($entry->planned !== null && $entry->exercise === $rung->id)) {
            return $entry;
        }

        return new Entry(
            $rung->id,
            $entry->dose,
            $entry->note,
            new Planned($rung->category, $rung->level, $rung->ladder, ['Put in by the trainer.']),
            $entry->x,
        );
    }
}
