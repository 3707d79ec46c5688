<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use App\Models\LoggedSession as SessionRow;
use App\Models\LoggedSet as SetRow;
use DateTimeImmutable;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Verdict\History;
use EvenRungs\Core\Verdict\LoggedSession;
use EvenRungs\Core\Verdict\LoggedSet;
use EvenRungs\Core\Verdict\PainKind;

/**
 * What was logged, as the core reads it. Plain rows instead of models: a year of a client is some thousand sets, and the list of
 * clients asks for all of them.
 */
final class LogBook
{
    private const SET = ['logged_session_id', 'ladder', 'rung', 'side', 'target', 'done', 'faults', 'cued', 'ended_by', 'pain', 'pain_kind', 'effort', 'breathing', 'felt'];

    /**
     * @param  list<Rung>  $rungs  one a ladder
     * @return array<string, list<LoggedSession>> what was done on them lately, by ladder, oldest first
     */
    public static function recent(Client $client, array $rungs): array
    {
        $last = self::lastDay($client);
        $sessions = [];
        foreach ($last === null ? [] : self::since($client, $last->modify(sprintf('-%d days', History::LOOK_BACK_DAYS)), $rungs) as [$rung, $session]) {
            $sessions[$rung->ladder][] = $session;
        }

        return $sessions;
    }

    /**
     * What was done on some rungs from a day on.
     *
     * @param  list<Rung>  $rungs
     * @return list<array{Rung, LoggedSession}> oldest first
     */
    public static function since(Client $client, DateTimeImmutable $from, array $rungs): array
    {
        $day = $from->format('Y-m-d');
        $sets = [];
        foreach (SetRow::query()->ofClient($client)->where('on', '>=', $day)->among('rung', array_map(static fn (Rung $rung): string => $rung->id, $rungs))->ordered('id')->toBase()->get(self::SET) as $row) {
            $sets[$row->logged_session_id][$row->rung][] = self::set((array) $row);
        }
        $byId = [];
        foreach ($rungs as $rung) {
            $byId[$rung->id] = $rung;
        }
        $found = [];
        foreach (SessionRow::query()->ofClient($client)->where('on', '>=', $day)->ordered('on')->ordered('id')->toBase()->get(['id', 'on', 'soreness', 'pain_before', 'pain_next_day', 'ticks']) as $row) {
            $ticks = is_string($row->ticks) ? json_decode($row->ticks, true) : null;
            foreach ($sets[$row->id] ?? [] as $rung => $of) {
                $ticked = is_array($ticks) ? $ticks[$byId[$rung]->ladder] ?? null : null;
                $found[] = [$byId[$rung], new LoggedSession(new DateTimeImmutable($row->on), $row->soreness, $row->pain_before, $row->pain_next_day, $of, is_array($ticked) ? array_values($ticked) : null)];
            }
        }

        return $found;
    }

    /** The first day, from the given one on, on which pain should have stopped the training. */
    public static function firstStop(Client $client, DateTimeImmutable $from): ?DateTimeImmutable
    {
        $day = $from->format('Y-m-d');
        $kinds = array_map(static fn (PainKind $kind): string => $kind->value, array_filter(PainKind::cases(), static fn (PainKind $kind): bool => $kind->stops()));
        $days = array_filter([
            SetRow::query()->ofClient($client)->where('on', '>=', $day)->where('pain', '>', LoggedSession::STOP_OVER)->min('on'),
            SetRow::query()->ofClient($client)->where('on', '>=', $day)->among('pain_kind', $kinds)->min('on'),
            SessionRow::query()->ofClient($client)->where('on', '>=', $day)->where('pain_before', '>', LoggedSession::STOP_OVER)->min('on'),
            SessionRow::query()->ofClient($client)->where('on', '>=', $day)->where('pain_next_day', '>', LoggedSession::STOP_OVER)->min('on'),
        ], is_string(...));

        return $days === [] ? null : new DateTimeImmutable(min($days));
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
        foreach ([[SetRow::query(), 'pain'], [SessionRow::query(), 'pain_before'], [SessionRow::query(), 'pain_next_day']] as [$query, $column]) {
            $row = $query->ofClient($client)->where('on', '>=', $day)->where($column, '>', 0)->ordered($column, 'desc')->ordered('on', 'desc')->toBase()->first(['on', $column]);
            if ($row !== null && ($worst === null || [$row->{$column}, $row->on] > [$worst[1], $worst[0]])) {
                $worst = [(string) $row->on, (int) $row->{$column}];
            }
        }

        return $worst === null ? null : [new DateTimeImmutable($worst[0]), $worst[1]];
    }

    /** The newest day of training. */
    public static function lastDay(Client $client): ?DateTimeImmutable
    {
        $on = SessionRow::query()->ofClient($client)->max('on');

        return is_string($on) ? new DateTimeImmutable($on) : null;
    }

    /** @param  array<string, mixed>  $row */
    private static function set(array $row): LoggedSet
    {
        $int = static fn (string $name): ?int => is_numeric($row[$name]) ? (int) $row[$name] : null;
        $text = static fn (string $name): ?string => is_string($row[$name]) ? $row[$name] : null;
        $list = static function (string $name) use ($row): ?array {
            $value = is_string($row[$name]) ? json_decode($row[$name], true) : null;

            return is_array($value) ? array_values(array_filter($value, is_string(...))) : null;
        };

        return new LoggedSet(
            match ($row['side']) {
                'left', 'right', 'both' => $row['side'],
                default => null,
            },
            (int) $int('target'),
            (int) $int('done'),
            $list('faults'),
            $list('cued') ?? [],
            $text('ended_by'),
            $int('pain'),
            PainKind::tryFrom($text('pain_kind') ?? ''),
            $int('effort'),
            $row['breathing'] === null ? null : (bool) $row['breathing'],
            $list('felt') ?? [],
        );
    }
}
