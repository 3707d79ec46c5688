<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Support\ClientRows;
use App\Support\Reads;
use DateTimeImmutable;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\RangeScale;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Sign;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\PainKind;

/**
 * What was logged, as the core reads it. Plain rows instead of models: a year of a client is some thousand sets, and the list of
 * clients asks for all of them.
 */
final class LogBook
{
    private const SET = [
        'logged_session_id',
        'ladder',
        'rung',
        'side',
        'target',
        'done',
        'faults',
        'cued',
        'ended_by',
        'pain',
        'pain_kind',
        'effort',
        'breathing',
        'felt',
        'range',
        'range_cm',
        'target_range',
        'target_range_cm',
        'open',
        'target_hold',
        'hold',
        'timed',
        'left',
    ];

    /**
     * @param  list<Rung>  $rungs  one a ladder
     * @return array{array<string, list<LoggedSession>>, array<string, string>} by ladder what was done lately, oldest first, and the newest
     *                                                                          log with its revision
     */
    public static function recent(Client $client, array $rungs): array
    {
        $last = self::lastDay($client);
        $sessions = $newest = [];
        foreach ($last === null ? [] : self::since(
            $client,
            $last->modify(sprintf('-%d days', History::LOOK_BACK_DAYS)),
            $rungs,
        ) as [$rung, $session, $log]) {
            $sessions[$rung->ladder][] = $session;
            $newest[$rung->ladder] = $log;
        }

        return [$sessions, $newest];
    }

    /**
     * What was done on some rungs from a day on.
     *
     * @param  list<Rung>  $rungs
     * @return list<array{Rung, LoggedSession, string}> oldest first, each with its log and the revision of that
     */
    public static function since(Client $client, DateTimeImmutable $from, array $rungs): array
    {
        $byId = array_column($rungs, null, 'id');
        if ($byId === []) {
            return [];
        }
        $of = 'studio_id = :studio and client_id = :client and `on` >= :day';
        $named = array_combine(array_map(static fn (int $i): string => 'rung'.$i, array_keys($rungs)), array_column($rungs, 'id'));
        $rows = Reads::atOnce([
            'sets' => sprintf(
                'select `%s` from logged_sets where %s and rung in (:%s) order by id',
                implode('`, `', self::SET),
                $of,
                implode(', :', array_keys($named)),
            ),
            'sessions' => 'select id, `on`, soreness, pain_before, pain_next_day, ticks, pain_kind, checked, signs, revision '
                ."from logged_sessions where $of order by `on`, id",
        ], ['studio' => $client->studio_id, 'client' => $client->id, 'day' => $from->format('Y-m-d'), ...$named]);
        $sets = [];
        foreach ($rows['sets'] as $row) {
            $sets[$row->logged_session_id][$row->rung][] = self::set((array) $row, $byId[$row->rung]);
        }
        $found = [];
        foreach ($rows['sessions'] as $row) {
            $ticks = is_string($row->ticks) ? json_decode($row->ticks, true) : null;
            foreach ($sets[$row->id] ?? [] as $rung => $of) {
                $ticked = is_array($ticks) ? $ticks[$byId[$rung]->ladder] ?? null : null;
                $found[] = [
                    $byId[$rung],
                    new LoggedSession(
                        new DateTimeImmutable($row->on),
                        $row->soreness,
                        $row->pain_before,
                        $row->pain_next_day,
                        $of,
                        is_array($ticked) ? array_values($ticked) : null,
                        PainKind::tryFrom((string) $row->pain_kind),
                        (bool) $row->checked,
                        self::signs($row->signs),
                    ),
                    $row->id.':'.$row->revision,
                ];
            }
        }

        return $found;
    }

    /**
     * @param  list<Rung>  $rungs
     * @return list<string> ids of those that a watched log shows clean
     */
    public static function clean(Client $client, array $rungs): array
    {
        $clean = [];
        foreach (self::since($client, new DateTimeImmutable('1970-01-01'), $rungs) as [$rung, $session]) {
            $clean[$rung->id] = ($clean[$rung->id] ?? false) || $session->isClean($rung->range ?? RangeScale::share());
        }

        return array_keys(array_filter($clean));
    }

    /** @return list<Sign> */
    private static function signs(mixed $written): array
    {
        $signs = is_string($written) ? json_decode($written, true) : null;

        return array_values(
            array_filter(
                array_map(static fn (mixed $sign): ?Sign => is_string($sign) ? Sign::tryFrom($sign) : null, is_array($signs) ? $signs : []),
            ),
        );
    }

    /** The newest day of training. */
    public static function lastDay(Client $client): ?DateTimeImmutable
    {
        $on = ClientRows::of($client)->lastDay();

        return $on === null ? null : new DateTimeImmutable($on);
    }

    /** @param  array<string, mixed>  $row */
    private static function set(array $row, Rung $rung): LoggedSet
    {
        $int = static fn (string $name): ?int => is_numeric($row[$name]) ? (int) $row[$name] : null;
        $text = static fn (string $name): ?string => is_string($row[$name]) ? $row[$name] : null;
        $list = static function (string $name) use ($row): ?array {
            $value = is_string($row[$name]) ? json_decode($row[$name], true) : null;

            return is_array($value) ? array_values(array_filter($value, is_string(...))) : null;
        };

        $isTimed = (bool) $row['timed'];
        [$target, $done] = $isTimed ? LoggedSet::ofWork(
            $rung,
            (int) $int('target'),
            (int) $int('done'),
        ) : [(int) $int('target'), (int) $int('done')];

        return new LoggedSet(
            match ($row['side']) {
                'left', 'right', 'both' => $row['side'],
                default => null,
            },
            $target,
            $done,
            $list('faults'),
            $list('cued') ?? [],
            $text('ended_by'),
            $int('pain'),
            PainKind::tryFrom($text('pain_kind') ?? ''),
            $int('effort'),
            $row['breathing'] === null ? null : (bool) $row['breathing'],
            $list('felt') ?? [],
            self::range($row, 'target_'),
            self::range($row, ''),
            ($row['range'] !== null && (float) $row['range'] <= 0) || ($row['range_cm'] !== null && (float) $row['range_cm'] <= 0),
            (bool) $row['open'],
            $isTimed,
            $int('target_hold'),
            $int('hold'),
            (bool) $row['left'],
        );
    }

    /** @param  array<string, mixed>  $row */
    private static function range(array $row, string $prefix): ?Range
    {
        $share = is_numeric($row[$prefix.'range']) ? (float) $row[$prefix.'range'] : 0.0;
        $cm = is_numeric($row[$prefix.'range_cm']) ? (float) $row[$prefix.'range_cm'] : 0.0;

        return match (true) {
            $cm >= 1 => Range::cm($cm),
            $share > 0 => Range::share($share),
            default => null,
        };
    }
}
