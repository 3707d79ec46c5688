<?php

declare(strict_types=1);

namespace App\Clients;

use App\Models\Client;
use App\Planning\Board;
use App\Planning\BoardLoader;
use App\Support\ClientRows;
use App\Support\StudioDay;
use App\Today\LogBook;
use App\Today\LoggedPain;
use App\Today\Verdicts;
use DateTimeImmutable;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Review\Roster\Need;
use EvenRungs\Core\Review\Roster\Needs;
use EvenRungs\Storage\DataFolder;
use stdClass;

/**
 * The clients of a studio, those first who need the trainer's eye.
 */
final class RosterPage
{
    /** Rows that are found anew in one look; others are shown as they were last, or not yet, until the next one. */
    private const AT_ONCE = 8;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Verdicts $verdicts,
        private readonly Screening $screening,
        private readonly RosterRows $kept,
    ) {
    }

    /**
     * @param  list<string>  $clients  of one studio
     * @return array{string, int} the answer as JSON: today, rows by need and among equals in the order given, and how many are of an
     *                            earlier day or not there yet; and that number
     */
    public function byNeed(string $studio, array $clients): array
    {
        $today = StudioDay::today()->toDateString();
        $true = $this->kept->of($studio, $today);
        $old = null;
        $rows = [];
        $behind = 0;
        $found = 0;
        foreach ($clients as $client) {
            $row = $true[$client] ?? null;
            if ($row === null && $found >= self::AT_ONCE) {
                $old ??= $this->kept->last($studio);
                $row = $old[$client] ?? null;
                $behind++;
                if ($row === null) {
                    continue;
                }
            }
            if ($row === null) {
                $row = $this->found(Client::query()->ofStudio($studio)->whereKey($client)->firstOrFail(), $today);
                $found++;
            }
            $rows[] = $row;
        }
        usort($rows, static fn (stdClass $a, stdClass $b): int => $a->urgency <=> $b->urgency);

        return [sprintf('{"day":"%s","clients":[%s],"behind":%d}', $today, implode(',', array_column($rows, 'row')), $behind), $behind];
    }

    private function found(Client $client, string $today): stdClass
    {
        $board = $this->boards->load($client);
        $needs = $this->needs($client, $board)->all;
        $row = json_encode([
            ...ClientRowView::of($board, $this->data->library()),
            ...TodayView::of($board, $this->data->library()),
            'needs' => array_map(
                static fn (array $need): array => ['kind' => $need[0]->value, 'on' => $need[1]?->format('Y-m-d'), 'count' => $need[2]],
                $needs,
            ),
        ], JSON_THROW_ON_ERROR);
        $urgency = isset($needs[0]) ? $needs[0][0]->rank() : count(Need::cases());
        $this->kept->keep($client, $today, $row, $urgency);

        return (object) ['row' => $row, 'urgency' => $urgency];
    }

    private function needs(Client $client, Board $board): Needs
    {
        $today = StudioDay::today()->toDateTimeImmutable();
        [$painOn, $pain] = LoggedPain::worstPain($client, Needs::recentFrom($today)) ?? [null, 0];
        $tested = ClientRows::of($client)->testDays()->last()?->on;
        [$waiting, $stuck] = $this->verdicts->counts($client, $today);

        return Needs::on(
            $today,
            $board->referrals !== [],
            $painOn,
            $pain,
            $waiting,
            $this->screening->due($client),
            LogBook::lastDay($client),
            $stuck,
            is_string($tested) ? new DateTimeImmutable($tested) : null,
            self::stoppedOn($board),
            $this->kept($board),
        );
    }

    /** The newest stop that no clearance lifts. */
    private static function stoppedOn(Board $board): ?DateTimeImmutable
    {
        $days = array_filter(
            [
                Cleared::for($board->client)->openStop()?->on,
                ...array_map(Cleared::for($board->client)->stopOn(...), array_keys($board->client->standings)),
            ],
        );

        return $days === [] ? null : max($days);
    }

    /** Exercises of the program that limits, age or a clearance forbid. */
    private function kept(Board $board): int
    {
        $library = $this->data->library();
        $kept = [];
        foreach ($board->program->weeks ?? [] as $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->entries() as $entry) {
                    $rung = $library->find($entry->exercise);
                    if ($rung !== null && ! isset($kept[$rung->id])) {
                        $obstacles = Obstacles::between($board->client, $rung, $library);
                        $kept[$rung->id] = $obstacles->bars !== [] || $obstacles->unsuitable !== null;
                    }
                }
            }
        }

        return count(array_filter($kept));
    }
}
