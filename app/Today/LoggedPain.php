<?php

declare(strict_types=1);

namespace App\Today;

use App\Clients\Stops;
use App\Models\Client;
use App\Models\LogChange;
use App\Models\LoggedSession as SessionRow;
use App\Models\LoggedSet as SetRow;
use App\Support\ClientRows;
use DateTimeImmutable;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Planning\Door\DoorAnswers;

/**
 * What pain in the logs says: the stops it gave, and the worst of a day.
 */
final class LoggedPain
{
    /** The stops that the logs ask for. What is said of a whole session counts for every ladder of it. */
    public static function stops(Client $client): Stops
    {
        $rows = ClientRows::of($client);
        $all = null;
        $ladders = [];
        $add = static function (string $on, ?string $kind, array $of) use (&$all, &$ladders): void {
            if (PainKind::tryFrom((string) $kind)?->stopsAll() === true && ($all === null || $on >= $all['on'])) {
                $all = ['on' => $on, 'kind' => (string) $kind];
            }
            foreach ($of as $ladder) {
                $ladders[$ladder] = max($on, $ladders[$ladder] ?? '');
            }
        };
        foreach ($rows->painfulSets() as $row) {
            $add((string) $row->on, $row->pain_kind, [(string) $row->ladder]);
        }
        $sessions = $rows->painfulSessions();
        $ladderOf = $rows->painfulLadders();
        foreach ($sessions as $row) {
            $add((string) $row->on, $row->pain_kind, $ladderOf[(int) $row->id] ?? []);
        }
        $kept = [];
        foreach ($rows->stops() as $change) {
            $kept[] = self::dayOf($change);
            $add(self::dayOf($change), $change->stops['kind'] ?? null, $change->stops['ladders'] ?? []);
        }
        $days = [
            ...$kept,
            ...array_values($ladders),
            ...($all === null ? [] : [$all['on']]),
            ...array_column($sessions, 'on'),
        ];

        return new Stops($all, $ladders, $days === [] ? null : max($days));
    }

    private static function dayOf(LogChange $change): string
    {
        return is_string($change->before['on'] ?? null) ? $change->before['on'] : $change->created_at->toDateString();
    }

    /**
     * What a log stops.
     *
     * @return array{kind: ?string, ladders: list<string>}|null the kind of pain that stops everything, and the ladders that are stopped;
     *                                                          null where it stops nothing
     */
    public static function ofLog(SessionRow $row): ?array
    {
        $stops = static fn (?int $pain, ?string $kind): bool => (new DoorAnswers(
            pain: $pain ?? 0,
            painKind: PainKind::tryFrom((string) $kind),
        ))->stop() !== null;
        $sets = SetRow::query()->ofStudio($row->studio_id)->where('logged_session_id', $row->id)->get();
        $isWhole = $stops(max($row->pain_before, $row->pain_next_day), $row->pain_kind);
        $stopped = $sets->filter(static fn (SetRow $set): bool => $isWhole || $stops($set->pain, $set->pain_kind));
        $kinds = array_filter(
            [$row->pain_kind, ...$sets->pluck('pain_kind')->all()],
            static fn (?string $kind): bool => PainKind::tryFrom((string) $kind)?->stopsAll() === true,
        );

        return ! $isWhole && $stopped->isEmpty() ? null : [
            'kind' => array_values($kinds)[0] ?? null,
            'ladders' => array_values($stopped->pluck('ladder')->unique()->all()),
        ];
    }

    /**
     * The worst pain from a day on, before, during or after training.
     *
     * @return ?array{DateTimeImmutable, int} the newest day with it, and how bad it was; null without any
     */
    public static function worstPain(Client $client, DateTimeImmutable $from): ?array
    {
        $day = $from->format('Y-m-d');
        $worst = null;
        foreach ([
            [SetRow::query(), 'pain'],
            [SessionRow::query(), 'pain_before'],
            [SessionRow::query(), 'pain_next_day'],
        ] as [$query, $column]) {
            $row = $query->ofClient($client)->where(
                'on',
                '>=',
                $day,
            )->where($column, '>', 0)->ordered($column, 'desc')->ordered('on', 'desc')->toBase()->first(['on', $column]);
            if ($row !== null && ($worst === null || [$row->{$column}, $row->on] > [$worst[1], $worst[0]])) {
                $worst = [(string) $row->on, (int) $row->{$column}];
            }
        }

        return $worst === null ? null : [new DateTimeImmutable($worst[0]), $worst[1]];
    }
}
