<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use App\Models\LoggedSession as SessionRow;
use App\Models\LoggedSet as SetRow;
use DateTimeImmutable;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Verdict\LoggedSession;
use EvenRungs\Core\Verdict\LoggedSet;
use EvenRungs\Core\Verdict\PainKind;
use Illuminate\Database\Eloquent\Collection;

/**
 * What was logged, as the core reads it.
 */
final class LogBook
{
    /** @return list<LoggedSession> on a rung, oldest first */
    public static function onRung(Client $client, Rung $rung): array
    {
        return self::sessions($client, SetRow::query()->ofClient($client)->where('ladder', $rung->ladder)->where('rung', $rung->id)->ordered('on')->ordered('id')->get());
    }

    /** The first day, from the given one on, on which pain should have stopped the training. */
    public static function firstStop(Client $client, DateTimeImmutable $from): ?DateTimeImmutable
    {
        foreach (self::sessions($client, SetRow::query()->ofClient($client)->where('on', '>=', $from->format('Y-m-d'))->ordered('id')->get()) as $session) {
            if ($session->mustStop()) {
                return $session->date;
            }
        }

        return null;
    }

    /** The newest day of training. */
    public static function lastDay(Client $client): ?DateTimeImmutable
    {
        $on = SessionRow::query()->ofClient($client)->max('on');

        return is_string($on) ? new DateTimeImmutable($on) : null;
    }

    /**
     * @param  Collection<int, SetRow>  $sets
     * @return list<LoggedSession>
     */
    private static function sessions(Client $client, Collection $sets): array
    {
        $rows = $sets->groupBy('logged_session_id');
        $sessions = [];
        foreach (SessionRow::query()->ofClient($client)->whereKey($rows->keys()->all())->ordered('on')->ordered('id')->get() as $row) {
            $logged = $rows->get($row->id)?->map(self::set(...))->values()->all() ?? [];
            $sessions[] = new LoggedSession(new DateTimeImmutable($row->on), $row->soreness, $row->pain_before, $row->pain_next_day, array_values($logged));
        }

        return $sessions;
    }

    private static function set(SetRow $row): LoggedSet
    {
        return new LoggedSet(
            match ($row->side) {
                'left', 'right', 'both' => $row->side,
                default => null,
            },
            $row->target,
            $row->done,
            $row->faults,
            [],
            $row->ended_by,
            $row->pain,
            PainKind::tryFrom($row->pain_kind ?? ''),
            $row->effort,
            $row->breathing,
        );
    }
}
