<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use App\Models\LoggedSet as SetRow;
use EvenRungs\Core\Forecast\Forecast;
use EvenRungs\Core\Verdict\History;
use EvenRungs\Core\Verdict\Judge;
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
        $from = $today->modify(sprintf('-%d days', self::LOOK_BACK_DAYS))->format('Y-m-d');
        $byLadder = $running = [];
        $sets = SetRow::query()->ofClient($client)->where('on', '>=', $from)->ordered('on')->ordered('id')->get();
        $standings = $this->boards->standings($client);
        foreach ($sets->groupBy('ladder') as $ladder => $of) {
            if (! $library->hasLadder((string) $ladder)) {
                continue;
            }
            $qualified = [];
            $first = $of->min('on');
            foreach ($of->groupBy('rung') as $id => $onRung) {
                $rung = $library->hasRung((string) $id) ? $library->rung((string) $id) : null;
                if ($rung === null) {
                    continue;
                }
                $sessions = LogBook::sessions($client, $onRung, (string) $ladder);
                $history = new History($library->ladder((string) $ladder), $rung, 0, null, null, $sessions);
                foreach (array_keys($sessions) as $place) {
                    $qualified[] = $judge->qualifies($history, $place);
                }
                $standing = $standings[$ladder] ?? null;
                if ($standing?->rung === $rung) {
                    $running[$ladder] = $judge->cleanRunning(new History($library->ladder((string) $ladder), $rung, $standing->step, null, null, $sessions));
                }
            }
            $days = is_string($first) ? (int) (new \DateTimeImmutable($first))->diff($today)->days + 1 : 0;
            $byLadder[(string) $ladder] = Forecast::from($days, $qualified, $style->cleanSessions);
        }

        return new ClientForecast($byLadder, $running, $library, $this->boards->person($client), $style->cleanSessions);
    }
}
