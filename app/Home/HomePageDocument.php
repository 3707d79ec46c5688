<?php

declare(strict_types=1);

namespace App\Home;

use App\Models\Client;
use App\Models\Studio;
use App\Planning\BoardLoader;
use App\Planning\PresentWeek;
use App\Sheets\SheetDates;
use App\Support\ClientRows;
use App\Support\ClockField;
use App\Support\StudioDay;
use App\Today\FloorPlanPage;
use App\Today\LogBook;
use DateTimeImmutable;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Client\Flag;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\Urgency;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Planning\Edit\Unwatched;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Sheet\DoseText;
use EvenRungs\Core\Sheet\HomeExercise;
use EvenRungs\Core\Sheet\Words;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\WordFiles;

/**
 * What a client's own page holds: their first name, the sessions of one week or one of them, and of each only what may be done where nobody
 * watches. Nothing in it names anybody else, and no number of this database.
 */
final class HomePageDocument
{
    /** It stops working so many days after its last session. */
    private const DAYS_AFTER = 7;

    /** Warning signs that a page asks of beside those of an emergency. */
    private const ALSO_ASKED = ['spreading-numbness', 'unexplained-dizziness'];

    private const OF_LIMIT = ['pregnancy' => 'pregnancy-warning', 'blood-pressure' => 'blood-pressure-high'];

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly FloorPlanPage $plans,
        private readonly WordFiles $words,
    ) {
    }

    /**
     * @param  ?int  $week  number of the week; null for the present one
     * @param  ?int  $session  number of the only session; null for all that are not done yet
     * @return array{array<string, mixed>, list<string>} what the page holds, and what is left out of it and why
     *
     * @throws UnusableInput where nothing may be handed out
     */
    public function of(Client $client, ?int $week, ?int $session): array
    {
        $program = $this->boards->program($client) ?? throw UnusableInput::at('/week', 'there is no program yet');
        $number = $week ?? PresentWeek::of($program);
        $of = $program->weeks[$number - 1] ?? throw UnusableInput::at('/week', 'there is no such week in the program');
        if ($session !== null && ! isset($of->sessions[$session - 1])) {
            throw UnusableInput::at('/session', 'there is no such session in the week');
        }
        $person = $of->clientIn($this->boards->person($client));
        $unwatched = new Unwatched($this->data->library(), $person, LogBook::clean($client, $this->rungs($of)));
        $words = $this->words->words(WordFiles::DEFAULT);
        $sessions = [];
        $left = [];
        $last = '';
        foreach ($this->open($client, $program, $number, $session) as $s => $date) {
            array_push($left, ...$unwatched->leftOut($of->sessions[$s]));
            $rest = $unwatched->session($of->sessions[$s]);
            if ($rest !== null) {
                $last = max($last, $date->format('Y-m-d'));
                $sessions[] = $this->session($client, $rest, ProgramDates::keys($program)[$number - 1][$s], $date, $words);
            }
        }
        if ($sessions === []) {
            throw UnusableInput::at('/', implode(' ', ['nothing of it may be done where nobody watches.', ...array_unique($left)]));
        }
        $until = self::after($last);
        if ($until < StudioDay::today()->toDateString()) {
            throw UnusableInput::at('/week', 'that week is over');
        }

        return [
            [...$this->page($client, $person, $words, $of), ...$this->pooled($sessions, $person, $words), 'until' => $until],
            array_values(array_unique($left)),
        ];
    }

    /** @return array<string, mixed> */
    private function page(Client $client, Person $person, Words $words, Week $week): array
    {
        $studio = Studio::query()->findOrFail($client->studio_id);

        return [
            'format' => 'even-rungs/home-page',
            'version' => 1,
            'first' => explode(' ', trim($client->name))[0],
            'studio' => $studio->name,
            'contact' => $studio->contact,
            'emergency' => $studio->emergencySteps(),
            'title' => $words->say('week', $week->number),
            'made' => StudioDay::today()->toDateString(),
            'care' => [
                ...array_map(static fn (Limit $limit): string => $words->say('limit.'.$limit->rule->id), $person->limits),
                $words->say('care.form'),
                $words->say('care.pain'),
            ],
            'warnings' => $this->warnings($person),
            'stop_over' => LoggedSession::STOP_OVER,
            'easy_over' => LoggedSession::MOST_PAIN,
        ];
    }

    /** @return list<array{id: string, name: string, text: string}> signs that are asked where something hurts */
    private function warnings(Person $person): array
    {
        $ofLimits = array_map(static fn (Limit $limit): string => self::OF_LIMIT[$limit->rule->id] ?? '', $person->limits);
        $asked = array_filter(
            $this->data->flags(),
            static fn (Flag $flag): bool => $flag->urgency === Urgency::Emergency
                || in_array($flag->id, [...self::ALSO_ASKED, ...$ofLimits], true),
        );

        return array_values(
            array_map(static fn (Flag $flag): array => ['id' => $flag->id, 'name' => $flag->name, 'text' => $flag->text], $asked),
        );
    }

    /**
     * @return array<int, DateTimeImmutable> by place in the week, the day of each session that is not done yet
     */
    private function open(Client $client, Program $program, int $week, ?int $only): array
    {
        $dates = ProgramDates::of($program);
        $done = ClientRows::of($client)->planned();
        $days = [];
        foreach ($program->weeks[$week - 1]->sessions as $s => $session) {
            $isDone = isset($done[ProgramDates::keys($program)[$week - 1][$s]]) || ProgramDates::isMissed($session);
            if ($only === null ? ! $isDone : $only === $s + 1) {
                $days[$s] = $dates?->session($week - 1, $s) ?? self::next($session);
            }
        }
        if ($days === []) {
            throw UnusableInput::at('/week', 'every session of that week is done');
        }

        return $days;
    }

    /** The next day of the session's name, where nobody said when the program begins. */
    private static function next(Session $session): DateTimeImmutable
    {
        $today = StudioDay::today()->toDateTimeImmutable();
        $ahead = ($session->day->number() - ((int) $today->format('N') - 1) + 7) % 7;

        return $today->modify("+{$ahead} days");
    }

    private static function after(string $day): string
    {
        return (new DateTimeImmutable($day))->modify(sprintf('+%d days', self::DAYS_AFTER))->format('Y-m-d');
    }

    /** @return array<string, mixed> */
    private function session(Client $client, Session $session, string $planned, DateTimeImmutable $date, Words $words): array
    {
        $plan = $this->plans->ofClient(Studio::query()->findOrFail($client->studio_id), $client, $session, $planned, $date);
        $first = explode(' ', trim($client->name))[0];
        $doses = $this->doses($client, $session, $words);
        $length = SessionTime::total($session, $this->data->library());

        return [
            'date' => $date->format('Y-m-d'),
            'title' => SheetDates::weekday($session->day, $words, 'EEEE'),
            'minutes' => $words->say('minutes', ClockField::of($length)['text']),
            'plan' => [
                ...$plan,
                'title' => $first,
                'segments' => array_map(
                    static fn (array $each): array => [...$each, 'words' => $doses[$each['rung'] ?? ''] ?? $each['words']],
                    $plan['segments'],
                ),
                'members' => array_map(
                    static fn (array $each): array => [...$each, 'client' => '', 'name' => $first, 'said' => (object) []],
                    $plan['members'],
                ),
                'studio' => '',
                'all_faults' => [],
                'warnings' => [],
                'emergency' => [],
                'bands' => [],
                'ticks' => [],
                'door' => null,
            ],
        ];
    }

    /** @return array<string, string> how each exercise is done, as on the sheet, by rung */
    private function doses(Client $client, Session $session, Words $words): array
    {
        $texts = new DoseText($words, $this->boards->style($client)->plan->bothSidesOneRep);
        $doses = [];
        foreach ($session->blocks as $block) {
            foreach ($block->entries() as $entry) {
                $rung = $this->data->library()->find($entry->exercise);
                if ($rung !== null) {
                    $rounds = $block instanceof CircuitBlock ? $block->rounds : null;
                    $side = ExtraSet::side($entry);
                    $doses[$rung->id] ??= $texts->of($entry->dose, $rung->figure()->lowersFirst, $rounds)
                        .($side === null ? '' : ', '.$words->say('side.'.$side));
                }
            }
        }

        return $doses;
    }

    /**
     * Exercises and moves once for all sessions.
     *
     * @param  list<array<string, mixed>>  $sessions
     * @return array{sessions: list<array<string, mixed>>, rungs: object, moves: object}
     */
    private function pooled(array $sessions, Person $person, Words $words): array
    {
        $rungs = [];
        $moves = [];
        foreach ($sessions as $s => $session) {
            foreach ($session['plan']['rungs'] as $id => $rung) {
                $easier = (new HomeExercise($this->data->library()->rung($id), $person, $this->data->library()))->easier;
                $rungs[$id] = [
                    ...$rung,
                    'kept' => null,
                    'faults' => [],
                    'below' => $easier === null ? null : $words->of($easier->name),
                ];
            }
            $moves += (array) $session['plan']['moves'];
            $sessions[$s]['plan']['rungs'] = (object) [];
            $sessions[$s]['plan']['moves'] = (object) [];
        }

        return ['sessions' => $sessions, 'rungs' => (object) $rungs, 'moves' => (object) $moves];
    }

    /** @return list<Rung> */
    private function rungs(Week $week): array
    {
        $rungs = [];
        foreach ($week->sessions as $session) {
            foreach ($session->entries() as $entry) {
                $rung = $this->data->library()->find($entry->exercise);
                if ($rung !== null) {
                    $rungs[$rung->id] = $rung;
                }
            }
        }

        return array_values($rungs);
    }
}
