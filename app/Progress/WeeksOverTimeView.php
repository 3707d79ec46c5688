<?php

declare(strict_types=1);

namespace App\Progress;

use App\Models\Client;
use App\Models\Program as ProgramRow;
use App\Planning\Board;
use App\Planning\BoardLoader;
use App\Support\ClientRows;
use App\Support\ClockField;
use App\Support\Reads;
use App\Today\LoggedLoad;
use DateTimeImmutable;
use EvenRungs\Core\Log\WeekLoad;
use EvenRungs\Core\Log\WorkDone;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Review\Progress\PlannedDays;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Collection;
use stdClass;

/**
 * Weeks of seven days that end today, as the evenness page counts them: what was planned, what was really done, and the load.
 */
final class WeeksOverTimeView
{
    private const MINUTE_MS = 60_000;

    public function __construct(private readonly DataFolder $data, private readonly BoardLoader $boards)
    {
    }

    /** @return list<array<string, mixed>> oldest first, from the first with a plan or a log */
    public function of(Board $board, DateTimeImmutable $from, DateTimeImmutable $today): array
    {
        $client = $board->record;
        $planned = PlannedDays::of($board->program, $this->trained($client), $this->data->library());
        $of = 'studio_id = :studio and client_id = :client';
        $read = Reads::atOnce([
            'sessions' => "select `on`, effort, minutes from logged_sessions where $of and `on` >= :from",
            'sets' => "select rung, `on`, side, done from logged_sets where $of and `on` > :from order by `on`, id",
        ], ['studio' => $client->studio_id, 'client' => $client->id, 'from' => $from->format('Y-m-d')]);
        $rows = new Collection($read['sessions']);
        $done = $this->done(new Collection($read['sets']), $today);
        $weeks = [];
        for ($to = $today; WeekLoad::from($to) > $from; $to = WeekLoad::from($to)->modify('-1 day')) {
            $weeks[] = self::week(
                WeekLoad::from($to),
                $to,
                $planned->between(WeekLoad::from($to), $to),
                $rows,
                $done[self::weeksBack($to, $today)] ?? new WorkDone,
                $board,
            );
        }
        while ($weeks !== [] && end($weeks)['planned'] === null && end($weeks)['sessions'] === 0) {
            array_pop($weeks);
        }

        return array_reverse($weeks);
    }

    /**
     * @param  array{sessions: int, work: Seconds}|null  $planned
     * @param  Collection<int, stdClass>  $rows
     * @return array<string, mixed>
     */
    private static function week(
        DateTimeImmutable $from,
        DateTimeImmutable $to,
        ?array $planned,
        Collection $rows,
        WorkDone $done,
        Board $board,
    ): array {
        $load = LoggedLoad::upTo($to, $rows, $planned === null ? null : $board->program);

        return [
            'from' => $from->format('Y-m-d'),
            'to' => $to->format('Y-m-d'),
            'planned' => $planned === null ? null : [
                'sessions' => $planned['sessions'],
                'work' => ClockField::of($planned['work']),
                'minutes' => self::minutes($planned['work']),
            ],
            'sessions' => $rows->where('on', '>=', $from->format('Y-m-d'))->where('on', '<=', $to->format('Y-m-d'))->count(),
            'sets' => array_sum($done->sets),
            'work' => ClockField::of(Seconds::ofMs($done->allMs)),
            'minutes' => self::minutes(Seconds::ofMs($done->allMs)),
            'load' => $load->total,
            'unknown' => $load->unknown,
        ];
    }

    /** Minutes to a tenth, to be drawn. */
    private static function minutes(Seconds $time): float
    {
        return round($time->ms / self::MINUTE_MS, 1);
    }

    /**
     * @param  Collection<int, stdClass>  $sets
     * @return array<int, WorkDone> by weeks before this one
     */
    private function done(Collection $sets, DateTimeImmutable $today): array
    {
        $library = $this->data->library();
        $done = [];
        foreach ($sets->groupBy('on') as $on => $ofDay) {
            $week = $done[self::weeksBack(new DateTimeImmutable((string) $on), $today)] ??= new WorkDone;
            foreach ($ofDay as $set) {
                if ($library->hasRung($set->rung)) {
                    $week->add($library->rung($set->rung), $set->done, $set->side, $set->on);
                }
            }
        }

        return $done;
    }

    private static function weeksBack(DateTimeImmutable $day, DateTimeImmutable $today): int
    {
        return intdiv((int) $day->diff($today)->days, WeekLoad::DAYS);
    }

    /** @return list<Program> those not in use that a log is of */
    private function trained(Client $client): array
    {
        $logged = ClientRows::of($client)->planned();
        $programs = [];
        foreach ($logged === [] ? [] : ProgramRow::query()->ofClient($client)->where('current', false)->get() as $row) {
            $program = $this->boards->read($row);
            if (array_intersect_key($logged, array_flip(array_merge([], ...ProgramDates::keys($program)))) !== []) {
                $programs[] = $program;
            }
        }

        return $programs;
    }
}
