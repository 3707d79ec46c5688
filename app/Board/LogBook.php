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
    /** Days before the newest log that verdicts look back on. A ladder that nobody trained in them is out of use. */
    private const LOOK_BACK_DAYS = 120;

    /**
     * @param  list<Rung>  $rungs  one a ladder
     * @return array<string, list<LoggedSession>> what was done on them lately, by ladder, oldest first
     */
    public static function recent(Client $client, array $rungs): array
    {
        $last = self::lastDay($client);
        if ($last === null) {
            return [];
        }
        $sets = SetRow::query()->ofClient($client)
            ->where('on', '>=', $last->modify(sprintf('-%d days', self::LOOK_BACK_DAYS))->format('Y-m-d'))
            ->ordered('id')
            ->among('rung', array_map(static fn (Rung $rung): string => $rung->id, $rungs))->get()->groupBy('ladder');

        return $sets->map(static fn (Collection $of, string $ladder): array => self::sessions($client, $of, $ladder))->all();
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
     * Sets as the sessions that they belong to, oldest first.
     *
     * @param  Collection<int, SetRow>  $sets
     * @param  ?string  $ladder  whose ticks count; null where none are wanted
     * @return list<LoggedSession>
     */
    public static function sessions(Client $client, Collection $sets, ?string $ladder = null): array
    {
        $rows = $sets->groupBy('logged_session_id');
        $sessions = [];
        foreach (SessionRow::query()->ofClient($client)->whereKey($rows->keys()->all())->ordered('on')->ordered('id')->get() as $row) {
            $logged = $rows->get($row->id)?->map(self::set(...))->values()->all() ?? [];
            $sessions[] = new LoggedSession(new DateTimeImmutable($row->on), $row->soreness, $row->pain_before, $row->pain_next_day, array_values($logged), $ladder === null ? null : $row->ticks[$ladder] ?? null);
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
            $row->cued ?? [],
            $row->ended_by,
            $row->pain,
            PainKind::tryFrom($row->pain_kind ?? ''),
            $row->effort,
            $row->breathing,
            $row->felt ?? [],
        );
    }
}
