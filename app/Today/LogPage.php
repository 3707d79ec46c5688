<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Models\LogChange;
use App\Models\LoggedSession as SessionRow;
use App\Planning\Board;
use App\Planning\BoardLoader;
use App\Progress\EvenOuts;
use App\Support\Reads;
use DateTimeImmutable;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Dose\Unit;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Log\WeekLoad;
use EvenRungs\Core\Writing;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Collection;
use stdClass;

/**
 * The log of a client as the page shows it: what was done, what follows, and the load of the week.
 */
final class LogPage
{
    private const MOST_SHOWN = 60;

    private const MOST_REMOVED = 20;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly LogHistoryView $history,
        private readonly VerdictsView $verdicts,
        private readonly EvenOuts $evenOuts,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Client $client, ?string $month = null): array
    {
        $board = $this->boards->load($client);
        $read = self::read($client, $month);
        $rows = Reads::models(SessionRow::class, $read['sessions']);
        $sets = (new Collection($read['sets']))->groupBy('logged_session_id');
        $edited = array_flip(array_column($read['edited'], 'key'));
        $seen = (new Collection($read['seen']))->groupBy('logged_session_id');

        return [
            'sessions' => $rows->map(
                fn (SessionRow $row): array => [
                    ...$this->shown($row, $sets->get($row->id, new Collection), isset($edited[$row->key])),
                    'seen' => array_values($seen->get($row->id, new Collection)->map($this->seen(...))->all()),
                ],
            )->all(),
            'verdicts' => $this->verdicts->of($client),
            'holds' => (object) $this->evenOuts->rule($board)->reasons(),
            'easy' => LoggedSession::EASY,
            'ticks' => LoggedSession::namedTicks(),
            'months' => $read['months'],
            'removed' => $this->history->removed(Reads::models(LogChange::class, $read['removed'])),
            'load' => $this->load(LogBook::lastDay($client), new Collection($read['load']), $board),
            'stop' => Cleared::for($board->client)->openStop() === null ? null : [
                'on' => Cleared::for($board->client)->openStop()->on->format('Y-m-d'),
                'kind' => PainKind::tryFrom(Cleared::for($board->client)->openStop()->kind)?->symptom() ?? 'pain',
            ],
        ];
    }

    /** @return array<string, list<stdClass>> what the page shows of the logs, in one go */
    private static function read(Client $client, ?string $month): array
    {
        $of = 'studio_id = :studio and client_id = :client';
        $shown = "from logged_sessions where $of".($month === null ? '' : ' and `on` >= :first and `on` <= :last')
            .' order by `on` desc, id desc'.($month === null ? ' limit '.self::MOST_SHOWN : '');
        $last = LogBook::lastDay($client);

        return Reads::atOnce([
            'sessions' => "select * $shown",
            // a row for each exercise of a session, in the order of the floor
            'sets' => 'select logged_session_id, rung, count(*) as sets, max(pain) as pain, '
                .'sum(done < target and coalesce(`left`, 0) = 0) as short from logged_sets '
                ."join (select id as shown $shown) as sessions on shown = logged_session_id "
                .'group by logged_session_id, rung order by min(id)',
            'seen' => 'select logged_session_id, rung, done, ended_by, seen_by from logged_sets '
                ."join (select id as shown $shown) as sessions on shown = logged_session_id where seen_by is not null order by id",
            'edited' => "select distinct `key` from log_changes join (select `key` as shown $shown) as sessions on shown = `key` where $of",
            // the newest first
            'months' => "select date_format(`on`, '%Y-%m') as month, count(*) as sessions from logged_sessions where $of "
                .'group by month order by month desc',
            'removed' => "select * from log_changes where $of and what = 'removed' and `key` not in "
                ."(select `key` from logged_sessions where $of) order by id desc limit ".self::MOST_REMOVED,
            'load' => "select `on`, effort, minutes from logged_sessions where $of and `on` >= :from",
        ], [
            'studio' => $client->studio_id,
            'client' => $client->id,
            'from' => $last === null ? '9999-12-31' : WeekLoad::from($last)->format('Y-m-d'),
            ...($month === null ? [] : ['first' => $month.'-01', 'last' => $month.'-31']),
        ]);
    }

    /** What a device saw of a set, in words. */
    private function seen(stdClass $set): string
    {
        $library = $this->data->library();
        $rung = $library->hasRung($set->rung) ? $library->rung($set->rung) : null;
        $fault = $library->faults[(string) $set->ended_by] ?? null;

        return sprintf(
            '%s%s, %s by the %s',
            $rung->name ?? $set->rung,
            $rung?->unit() !== Unit::Seconds ? '' : sprintf(', %s s', Writing::number($rung->unit()->shown((int) $set->done))),
            $fault === null ? 'ended' : 'ended with '.lcfirst($fault->name),
            $set->seen_by,
        );
    }

    /**
     * @param  Collection<int, stdClass>  $sets  of each exercise together
     * @return array<string, mixed>
     */
    private function shown(SessionRow $row, Collection $sets, bool $edited): array
    {
        $library = $this->data->library();

        return [
            'id' => $row->id,
            'on' => $row->on,
            'soreness' => $row->soreness,
            'worst_pain' => max($sets->max('pain'), $row->pain_before, $row->pain_next_day),
            'door' => $row->door['changes'] ?? [],
            'ended' => $row->ended,
            'sets' => (int) $sets->sum('sets'),
            'exercises' => $sets->pluck('rung')->unique()->map(
                static fn (string $id): string => $library->hasRung($id) ? $library->rung($id)->name : $id,
            )->values()->all(),
            'short' => (int) $sets->sum('short'),
            'open' => $row->open,
            'edited' => $edited,
            'warned' => $row->warned ?? [],
            'checked' => $row->checked,
            'by_client' => $row->origin === SessionRow::BY_CLIENT,
            'word' => $row->word === '' ? null : $row->word,
        ];
    }

    /**
     * Of the seven days up to the newest log.
     *
     * @param  Collection<int, stdClass>  $rows  the sessions of those days
     * @return ?array<string, mixed>
     */
    private function load(?DateTimeImmutable $to, Collection $rows, Board $board): ?array
    {
        if ($to === null) {
            return null;
        }
        $week = LoggedLoad::upTo($to, $rows, $board->program);

        return [
            'from' => WeekLoad::from($to)->format('Y-m-d'),
            'to' => $to->format('Y-m-d'),
            'total' => $week->total,
            'monotony' => $week->monotony,
            'strain' => $week->strain,
            'unknown' => $week->unknown,
        ];
    }
}
