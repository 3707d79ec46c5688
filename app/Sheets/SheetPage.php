<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Models\Client;
use App\Models\Studio;
use App\Planning\Board;
use App\Planning\BoardLoader;
use App\Planning\Insistence;
use App\Planning\PresentWeek;
use App\Support\ClientRows;
use App\Support\ClockField;
use DateTimeImmutable;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Planning\Session\Preparation;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Sheet\DoseText;
use EvenRungs\Core\Sheet\HomeExercise;
use EvenRungs\Core\Sheet\Words;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Core\Writing;
use EvenRungs\Formats\FigureSvg;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\WordFiles;

/**
 * A week as a client takes it home, in words and pictures: the days with the order of the exercises, a card for each exercise, what to take
 * care of, and whom to call.
 */
final class SheetPage
{
    /** What the style says on so many exercises of a week is said once. */
    private const OFTEN = 2;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly WordFiles $words,
    ) {
    }

    /**
     * The sheet that is asked for.
     *
     * @return array<string, mixed>
     *
     * @throws UnusableInput where there is no such week or language
     */
    public function asked(Client $client, SheetChoice $choice): array
    {
        $board = $this->boards->load($client);
        $words = $this->words->words($choice->language);
        $number = $choice->week ?? ($board->program === null ? 1 : PresentWeek::of($board->program));
        $week = $board->program->weeks[$number - 1] ?? throw UnusableInput::at('/week', 'there is no such week in the program');

        $studio = Studio::query()->findOrFail($client->studio_id);
        $dayFirst = $words->language === WordFiles::DEFAULT && in_array($studio->date_format, ['dmy', 'ymd'], true);

        return $this->of($board, $week, $studio, $dayFirst ? $words->asIn('en-GB') : $words);
    }

    /**
     * @param  Week  $week  of the program of the board
     * @return array<string, mixed> what the page of the sheet is made of
     */
    private function of(Board $board, Week $week, Studio $studio, Words $words): array
    {
        $preparation = new Preparation($this->data->library());
        $sessions = array_map(static fn (Session $each): Session => $preparation->suiting($each, $board->client), $week->sessions);
        $place = (int) array_search($week, $board->program->weeks ?? [], true);
        $dates = $board->program === null ? null : ProgramDates::of($board->program);
        $days = [];
        foreach ($sessions as $s => $session) {
            $days[] = [$session, $dates?->session($place, $s), SessionTime::total($session, $this->data->library())];
        }
        usort($days, static fn (array $a, array $b): int => [$a[1], $a[0]->day->number()] <=> [$b[1], $b[0]->day->number()]);
        $exercises = $this->exercises($days, $week->clientIn($board->client), $board, $words);
        $numbers = array_flip(array_keys($exercises));
        $said = array_merge(...array_column($exercises, 'style'));
        $often = array_filter(array_count_values($said), static fn (int $times): bool => $times >= self::OFTEN);
        $throughout = array_map(strval(...), array_keys($often));
        foreach ($exercises as $id => $each) {
            $exercises[$id]['style'] = implode(' ', array_map($words->of(...), array_diff($each['style'], $throughout)));
        }
        $total = Seconds::ofMs(array_sum(array_map(static fn (array $day): int => $day[2]->ms, $days)));

        return [
            'words' => $words,
            'client' => $board->client->name,
            'studio' => $studio->name,
            'contact' => $studio->contact === '' ? $words->say('call.nobody') : $words->say('call').': '.$studio->contact,
            'title' => $dates === null ? $words->say('week', $week->number) : $words->say(
                'week.of',
                $week->number,
                SheetDates::day($dates->first($place), $words),
                SheetDates::day($dates->last($place), $words),
            ),
            'total' => $words->say('minutes', ClockField::of($total)['text']).', '.$words->count('sessions', count($sessions)),
            'aims' => ClientRows::of($board->record)->aims()->pluck('words')->all(),
            'halted' => $board->referrals !== [],
            'days' => self::days($days, $numbers, $words),
            'exercises' => array_values($exercises),
            'moves' => $this->moves($sessions, $words),
            'throughout' => array_map($words->of(...), $throughout),
            'care' => [
                ...array_map(static fn (Limit $limit): string => $words->say('limit.'.$limit->rule->id), $board->client->limits),
                $words->say('care.form'),
                $words->say('care.pain'),
                $words->say('care.at-once'),
                $words->say('care.no-diagnosis'),
            ],
        ];
    }

    /**
     * The days of a week, those without a session too, and what is done on each.
     *
     * @param  list<array{Session, ?DateTimeImmutable, Seconds}>  $days
     * @param  array<string, int>  $numbers  place of each exercise
     * @return list<array{day: string, sessions: list<array{minutes: string, kind: string, order: list<string>}>}>
     */
    private static function days(array $days, array $numbers, Words $words): array
    {
        $week = [];
        foreach (Weekday::cases() as $day) {
            $here = array_values(array_filter($days, static fn (array $each): bool => $each[0]->day === $day));
            $date = $here[0][1] ?? null;
            $week[] = [
                'day' => SheetDates::weekday($day, $words, 'EEE').($date === null ? '' : ' '.SheetDates::day($date, $words)),
                'sessions' => array_map(static fn (array $each): array => self::session($each[0], $each[2], $numbers, $words), $here),
            ];
        }

        return $week;
    }

    /**
     * @param  array<string, int>  $numbers
     * @return array{minutes: string, kind: string, order: list<string>}
     */
    private static function session(Session $session, Seconds $time, array $numbers, Words $words): array
    {
        $order = [];
        foreach ($session->blocks as $block) {
            $here = implode(', ', array_map(static fn (Entry $entry): int => $numbers[$entry->exercise] + 1, $block->entries()));
            if ($block instanceof CircuitBlock) {
                $order[] = $words->count('rounds', $block->rounds).': '.$here;
                $order[] = '';
            } elseif ($here !== '') {
                $last = array_pop($order) ?? '';
                $order[] = $last === '' ? $here : $last.', '.$here;
            }
        }

        return [
            'minutes' => $words->say('minutes', ClockField::of($time)['text']),
            'kind' => $session->kind === Kind::Standalone ? '' : $words->say('kind.'.$session->kind->value),
            'order' => array_values(array_filter($order)),
        ];
    }

    /**
     * @param  list<array{Session, ?DateTimeImmutable, Seconds}>  $days
     * @param  Person  $there  the client with the kit of the week
     * @return array<string, array<string, mixed>> by what is written in the program
     */
    private function exercises(array $days, Person $there, Board $board, Words $words): array
    {
        $texts = new DoseText($words, $board->style->plan->bothSidesOneRep);
        $exercises = [];
        foreach ($days as [$session]) {
            $day = SheetDates::weekday($session->day, $words, 'EEE');
            foreach ($session->blocks as $block) {
                foreach ($block->entries() as $entry) {
                    $rung = $this->data->library()->find($entry->exercise);
                    $exercises[$entry->exercise] ??= $this->card($entry, $rung, $there, $board, $words);
                    $rounds = $block instanceof CircuitBlock ? $block->rounds : null;
                    $lowersFirst = $rung?->figure()->lowersFirst ?? true;
                    $extra = ExtraSet::side($entry);
                    $side = $extra === null ? '' : ', '.$words->say('side.'.$extra);
                    $doses = $exercises[$entry->exercise]['doses'];
                    $once = $texts->once($entry->dose, $lowersFirst).$side;
                    $doses[$once]['whole'][] = $texts->of($entry->dose, $lowersFirst, $rounds).$side;
                    $doses[$once]['days'][] = ['day' => $day, 'boxes' => $rounds ?? $entry->dose->sets];
                    $exercises[$entry->exercise]['doses'] = $doses;
                }
            }
        }
        foreach ($exercises as $id => $each) {
            foreach ($each['doses'] as $once => $dose) {
                // where only the sets differ, a box for each says how many
                $isOne = count(array_unique($dose['whole'])) === 1;
                $exercises[$id]['doses'][$once]['text'] = $isOne ? $dose['whole'][0] : $words->say('box', (string) $once);
            }
        }

        return $exercises;
    }

    /** @return array<string, mixed> */
    private function card(Entry $entry, ?Rung $rung, Person $there, Board $board, Words $words): array
    {
        $card = [
            'name' => $words->of($rung->name ?? $entry->exercise),
            'doses' => [],
            'style' => [],
            'insisted' => Insistence::of($entry) !== null,
        ];
        if ($rung === null) {
            return $card;
        }
        $home = new HomeExercise($rung, $there, $this->data->library());
        $coaching = $rung->coaching();
        $drawing = Drawing::ends($rung->figure());
        $load = $board->loads[$entry->exercise] ?? null;
        $last = array_filter([
            ($load['kg'] ?? null) === null ? null : Writing::load($load['kg']),
            ($load['band'] ?? null) === null ? null : $words->say('band', $load['band']),
        ]);

        return [
            ...$card,
            'style' => $board->style->words($rung, $board->client),
            'pictures' => self::pictures($drawing),
            'ends' => [$words->say('start'), $words->say($drawing->held ? 'hold' : 'end')],
            'setup' => implode(' ', array_map($words->of(...), $coaching->setup)),
            'watch' => $words->of($home->watch),
            'felt' => $words->allOf($coaching->feltIn),
            'not_felt' => $words->allOf($coaching->notIn),
            'easier' => $words->of($coaching->lessRange),
            'below' => $home->easier === null ? '' : $words->say('or', $words->of($home->easier->name)),
            'needs' => $words->allOf(array_map(
                fn (string $kit): string => $words->of($this->data->library()->equipment[$kit]->name),
                array_values(array_diff($rung->equipment, ['mat'])),
            )),
            'helps' => $words->allOf(array_map(
                fn (string $kit): string => $words->of($this->data->library()->equipment[$kit]->name ?? $kit),
                array_values(array_diff($rung->helpful, ['mat'])),
            )),
            'load' => $last === [] ? '' : $words->say('last-load', implode(', ', $last)),
            'unsafe' => Obstacles::between($board->client, $rung, $this->data->library())->safety($this->data->library()) !== [],
        ];
    }

    /** @return list<string> as addresses that hold the pictures themselves */
    private static function pictures(Drawing $drawing): array
    {
        return array_map(static fn (string $svg): string => 'data:image/svg+xml;base64,'.base64_encode($svg), FigureSvg::all($drawing));
    }

    /**
     * @param  list<Session>  $sessions
     * @return list<array{title: string, moves: list<array{name: string, setup: string}>}> of warm-up and of cool-down
     */
    private function moves(array $sessions, Words $words): array
    {
        $moves = [];
        $times = ['warm-up' => [], 'cool-down' => []];
        foreach ($sessions as $session) {
            $times['warm-up'][] = $session->warmUp->toClock();
            $times['cool-down'][] = $session->coolDown->toClock();
            foreach (['warm-up' => $session->prepared->warmUp, 'cool-down' => $session->prepared->coolDown] as $part => $list) {
                foreach ($list as [$id]) {
                    $move = $this->data->library()->preparing($id);
                    $moves[$part][$id] = [
                        'name' => $words->of($move->name ?? $id),
                        'setup' => implode(' ', array_map($words->of(...), $move?->coaching()->setup ?? [])),
                    ];
                }
            }
        }

        return array_map(static fn (array $list, string $part): array => [
            'title' => $words->say($part).' '.implode(', ', array_unique(array_diff($times[$part], [Seconds::zero()->toClock()]))),
            'moves' => array_values($list),
        ], $moves, array_keys($moves));
    }
}
