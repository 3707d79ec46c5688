<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Client;
use App\Models\LoggedSession;
use App\Models\LoggedSet;
use App\Models\Standing;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use EvenRungs\Core\Floor\FloorSet;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Timeline;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Carbon;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Made-up logs of sessions that a client's program asks for: mostly clean, now and then short, with a fault or a little pain. The
 * same seed gives the same logs.
 */
final class SimulatedLogs
{
    private const ROWS_AT_ONCE = 1000;

    public function __construct(private readonly DataFolder $data, private readonly BoardLoader $boards)
    {
    }

    /**
     * @param  int  $weeks  up to yesterday
     * @param  int  $clean  per cent of sets that are clean
     * @param  ?string  $weakSide  `left` or `right`, which does less; null where both do the same
     * @return int sets
     */
    public function fill(Client $client, Trainer $trainer, int $weeks, int $seed, int $clean, ?string $weakSide): int
    {
        $program = $this->boards->program($client);
        $sessions = $program->weeks[0]->sessions ?? [];
        $random = new Randomizer(new Mt19937($seed));
        $logged = $sets = [];
        $today = Carbon::today();
        $sheets = array_map(fn (Session $session): array => $this->sheet($session), $sessions);
        for ($back = 7 * $weeks; $back >= 1; $back--) {
            $day = $today->copy()->subDays($back);
            $on = $day->toDateString();
            foreach ($sessions as $i => $session) {
                if ($session->day !== Weekday::cases()[$day->isoWeekday() - 1] || $random->getInt(1, 100) <= 6) {
                    continue;
                }
                $key = sprintf('made-up-%s-%s-%d', $client->id, $on, $i);
                $logged[$key] = [
                    'studio_id' => $client->studio_id,
                    'client_id' => $client->id,
                    'trainer_id' => $trainer->id,
                    'key' => $key,
                    'on' => $on,
                    'soreness' => $random->getInt(0, 3),
                    'pain_before' => 0,
                    'effort' => $random->getInt(4, 7),
                    'minutes' => max(5, (int) round(($session->claimed->ms ?? 900_000) / 60_000) + $random->getInt(-1, 3)),
                    'created_at' => Carbon::now(),
                    'updated_at' => Carbon::now(),
                ];
                $sets[$key] = array_map(
                    fn (array $each): array => $this->row($client, $on, $each[0], $each[1], $random, $clean, $weakSide),
                    $sheets[$i],
                );
            }
        }
        foreach (array_chunk($logged, self::ROWS_AT_ONCE) as $rows) {
            LoggedSession::query()->insert($rows);
        }
        $ids = LoggedSession::query()->ofClient($client)->among('key', array_keys($logged))->pluck('id', 'key')->all();
        $rows = [];
        foreach ($sets as $key => $ofSession) {
            foreach ($ofSession as $set) {
                $rows[] = ['logged_session_id' => $ids[$key], ...$set];
            }
        }
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $some) {
            LoggedSet::query()->insert($some);
        }
        Standing::query()->ofClient($client)->update(['created_at' => $today->copy()->subWeeks($weeks)]);

        return count($rows);
    }

    /** @return list<array{Rung, FloorSet}> */
    private function sheet(Session $session): array
    {
        $library = $this->data->library();
        $sheet = [];
        foreach (RunSheet::of($session, Timeline::of($session, $library), $library) as $set) {
            $rung = $library->find($session->blocks[$set->block]->entries()[$set->entry]->exercise);
            if ($rung !== null) {
                $sheet[] = [$rung, $set];
            }
        }

        return $sheet;
    }

    /** @return array<string, mixed> */
    private function row(
        Client $client,
        string $on,
        Rung $rung,
        FloorSet $set,
        Randomizer $random,
        int $clean,
        ?string $weakSide,
    ): array {
        $isClean = $random->getInt(1, 100) <= $clean;
        $weak = $weakSide !== null && $set->side === $weakSide && $random->getInt(1, 100) <= 70;
        $share = $weak ? 78 : ($isClean ? 100 : $random->getInt(70, 100));
        $done = (int) floor($set->target * $share / 100);
        $fault = $share < 100 ? $rung->faults[$random->getInt(0, count($rung->faults) - 1)] : null;
        $done = (int) $rung->unit()->kept(floor($rung->unit()->shown($done)));

        return [
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'ladder' => $rung->ladder,
            'rung' => $rung->id,
            'on' => $on,
            'side' => $set->side,
            'target' => (int) $set->target,
            'done' => $done,
            'faults' => json_encode($fault === null ? [] : [$fault]),
            'ended_by' => $fault,
            'pain' => $random->getInt(1, 100) <= 4 ? 1 : 0,
            'pain_kind' => null,
            'effort' => $random->getInt(4, $isClean ? 6 : 7),
            'breathing' => true,
        ];
    }
}
