<?php

declare(strict_types=1);

namespace App\Today;

use App\Clients\Stops;
use App\Models\Client;
use App\Models\LoggedSession as SessionRow;
use App\Models\LoggedSet as SetRow;
use DateTimeImmutable;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\PainKind;

/**
 * What pain in the logs says: the stops it gave, and the worst of a day.
 */
final class LoggedPain
{
    /** The stops that the logs ask for. What is said of a whole session counts for every ladder of it. */
    public static function stops(Client $client): Stops
    {
        $kinds = array_values(
            array_map(
                static fn (PainKind $kind): string => $kind->value,
                array_filter(PainKind::cases(), static fn (PainKind $kind): bool => $kind->stops()),
            ),
        );
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
        foreach (SetRow::query()->ofClient($client)->where(
            static fn ($query) => $query->where('pain', '>', LoggedSession::STOP_OVER)->orWhereIn('pain_kind', $kinds),
        )->toBase()->get(['on', 'ladder', 'pain_kind']) as $row) {
            $add((string) $row->on, $row->pain_kind, [(string) $row->ladder]);
        }
        $sessions = SessionRow::query()->ofClient($client)->where(
            static fn ($query) => $query->where('pain_before', '>', LoggedSession::STOP_OVER)->orWhere(
                'pain_next_day',
                '>',
                LoggedSession::STOP_OVER,
            )->orWhereIn('pain_kind', $kinds),
        )->toBase()->get(['id', 'on', 'pain_kind']);
        foreach ($sessions as $row) {
            $add(
                (string) $row->on,
                $row->pain_kind,
                SetRow::query()->ofClient($client)->where('logged_session_id', $row->id)->distinct()->pluck('ladder')->all(),
            );
        }
        $days = [...array_values($ladders), ...($all === null ? [] : [$all['on']]), ...$sessions->pluck('on')->map(strval(...))->all()];

        return new Stops($all, $ladders, $days === [] ? null : max($days));
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
