<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Models\LogChange;
use App\Models\LoggedSession as SessionRow;
use App\Models\LoggedSet as SetRow;
use App\Planning\Board;
use App\Planning\BoardLoader;
use App\Progress\EvenOuts;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Log\WeekLoad;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Collection;
use stdClass;

/**
 * The log of a client as the page shows it: what was done, what follows, and the load of the week.
 */
final class LogPage
{
    private const MOST_SHOWN = 60;

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
        $newest = SessionRow::query()->ofClient($client)->ordered('on', 'desc')->ordered('id', 'desc');
        $rows = (
            $month === null ? $newest->atMost(self::MOST_SHOWN) : $newest->where('on', '>=', $month.'-01')->where('on', '<=', $month.'-31')
        )->get();
        $sets = SetRow::query()->ofClient($client)->ordered('id')->among('logged_session_id', $rows->pluck('id')->all())->toBase()->get(
            ['logged_session_id', 'rung', 'pain', 'target', 'done', 'left'],
        )->groupBy('logged_session_id');
        $edited = array_flip(LogChange::query()->ofClient($client)->among('key', $rows->pluck('key')->all())->pluck('key')->all());

        return [
            'sessions' => $rows->map(
                fn (SessionRow $row): array => $this->shown($row, $sets->get($row->id, new Collection), isset($edited[$row->key])),
            )->all(),
            'verdicts' => $this->verdicts->of($client),
            'holds' => (object) $this->evenOuts->rule($board)->reasons(),
            'easy' => LoggedSession::EASY,
            'ticks' => LoggedSession::namedTicks(),
            'months' => self::months($client),
            'removed' => $this->history->removed($client),
            'load' => $this->load($client, $board),
            'stop' => Cleared::for($board->client)->openStop() === null ? null : [
                'on' => Cleared::for($board->client)->openStop()->on->format('Y-m-d'),
                'kind' => PainKind::tryFrom(Cleared::for($board->client)->openStop()->kind)?->symptom() ?? 'pain',
            ],
        ];
    }

    /** @return list<array{month: string, sessions: int}> the months that have logs, the newest first */
    private static function months(Client $client): array
    {
        return array_values(
            SessionRow::query()->ofClient($client)->ordered('on', 'desc')->pluck('on')->countBy(
                static fn (string $on): string => substr($on, 0, 7),
            )->map(
                static fn (int $sessions, string $month): array => ['month' => $month, 'sessions' => $sessions],
            )->all(),
        );
    }

    /**
     * @param  Collection<int, stdClass>  $sets
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
            'sets' => $sets->count(),
            'exercises' => $sets->pluck('rung')->unique()->map(
                static fn (string $id): string => $library->hasRung($id) ? $library->rung($id)->name : $id,
            )->values()->all(),
            'short' => $sets->filter(static fn (stdClass $set): bool => $set->done < $set->target && ! (bool) $set->left)->count(),
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
     * @return ?array<string, mixed>
     */
    private function load(Client $client, Board $board): ?array
    {
        $to = LogBook::lastDay($client);
        if ($to === null) {
            return null;
        }
        $rows = SessionRow::query()->ofClient($client)->where('on', '>=', WeekLoad::from($to)->format('Y-m-d'))->toBase()->get(
            ['on', 'effort', 'minutes'],
        );
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
