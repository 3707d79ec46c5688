<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use EvenRungs\Core\Forecast\Forecast;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Standing;
use EvenRungs\Core\Verdict\History;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Core\Verdict\LoggedSession;
use EvenRungs\Formats\DataFolder;
use Illuminate\Support\Carbon;

/**
 * Forecasts from what a client has logged in the last weeks.
 */
final class Forecasts
{
    private const LOOK_BACK_DAYS = 56;

    public function __construct(private readonly DataFolder $data, private readonly BoardLoader $boards)
    {
    }

    public function of(Client $client): ClientForecast
    {
        $library = $this->data->library();
        $style = $this->boards->style($client);
        $judge = new Judge($library, $style);
        $today = Carbon::today()->toDateTimeImmutable();
        $standings = $this->boards->standings($client);
        $from = $today->modify(sprintf('-%d days', self::LOOK_BACK_DAYS));
        /** @var array<string, array<string, list<LoggedSession>>> $sessions */
        $sessions = [];
        foreach (LogBook::since($client, $from, $this->onLadders($standings)) as [$rung, $session]) {
            $sessions[$rung->ladder][$rung->id][] = $session;
        }
        $byLadder = $running = [];
        foreach ($sessions as $ladder => $byRung) {
            $qualified = [];
            $first = $today;
            foreach ($byRung as $id => $of) {
                $history = new History($library->ladder($ladder), $library->rung($id), 0, null, null, $of);
                foreach ($of as $place => $session) {
                    $qualified[] = $judge->qualifies($history, $place);
                    $first = min($first, $session->date);
                }
                $standing = $standings[$ladder];
                if ($standing->rung->id === $id) {
                    $running[$ladder] = $judge->cleanRunning(new History($library->ladder($ladder), $standing->rung, $standing->step, null, null, $of));
                }
            }
            $byLadder[$ladder] = Forecast::from((int) $first->diff($today)->days + 1, $qualified, $style->cleanSessions);
        }

        return new ClientForecast($byLadder, $running, $library, $this->boards->person($client), $style->cleanSessions);
    }

    /**
     * @param  array<string, Standing>  $standings
     * @return list<Rung> every rung up to where the client stands: the weeks before count on their own rungs
     */
    private function onLadders(array $standings): array
    {
        return array_merge([], ...array_values(array_map(fn (Standing $each): array => $this->data->library()->ladderOf($each->rung)->downFrom($each->rung), $standings)));
    }
}
