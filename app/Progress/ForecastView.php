<?php

declare(strict_types=1);

namespace App\Progress;

use App\Models\Client;
use App\Planning\BoardLoader;
use App\Support\StudioDay;
use App\Today\LogBook;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\RoadStretch;
use EvenRungs\Core\Review\Forecast\Expected;
use EvenRungs\Core\Review\Forecast\Forecast;
use EvenRungs\Core\Review\Forecast\Outlook;
use EvenRungs\Core\Review\Forecast\Weeks;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Storage\DataFolder;

/**
 * Forecasts from what a client has logged in the last weeks.
 */
final class ForecastView
{
    public function __construct(private readonly DataFolder $data, private readonly BoardLoader $boards)
    {
    }

    public function of(Client $client): Outlook
    {
        $library = $this->data->library();
        $style = $this->boards->style($client);
        $person = $this->boards->person($client);
        $goal = GoalRule::for($person, $this->data->goals());
        $judge = new Judge($library, $style, $person, $goal);
        $today = StudioDay::today()->toDateTimeImmutable();
        $standings = $person->standings;
        /** @var array<string, array<string, list<LoggedSession>>> $sessions */
        $sessions = [];
        foreach (LogBook::since($client, Forecast::lookBackFrom($today), $this->onLadders($standings)) as [$rung, $session]) {
            $sessions[$rung->ladder][$rung->id][] = $session;
        }
        $byLadder = $running = [];
        foreach ($sessions as $ladder => $byRung) {
            $qualified = [];
            foreach ($byRung as $id => $of) {
                $history = new History($library->ladder($ladder), $library->rung($id), 0, null, null, $of, $judge->steps);
                foreach ($history->sessions as $place => $session) {
                    $qualified[] = [$session->date, $judge->qualifies($history, $place)];
                }
                $standing = $standings[$ladder];
                if ($standing->rung->id === $id) {
                    $running[$ladder] = $judge->cleanRunning(
                        new History(
                            $library->ladder($ladder),
                            $standing->rung,
                            $standing->step,
                            null,
                            null,
                            $of,
                            $judge->steps,
                            $standing->range,
                        ),
                    );
                }
            }
            $byLadder[$ladder] = Forecast::from($qualified, $today, $style->cleanSessions);
        }

        return new Outlook(
            $byLadder,
            $running,
            $library,
            $person,
            $style->suiting($person)->cleanSessions,
            $judge->steps,
            new Moves($library, $goal, $style),
        );
    }

    /** @return array<string, mixed> a ladder's next rungs as pages show them */
    public static function ofLadder(Outlook $outlook, Placement $placement): array
    {
        $forecast = $outlook->on($placement->ladder->id);

        return ['enough' => $forecast
            ->hasEnough(), 'assumptions' => $forecast
            ->assumptions(), 'next' => array_map(static fn (Expected $each): array => [
                'rung' => $each->rung->id,
                'name' => $each->rung->name,
                'level' => $each->rung->level->value,
                'weeks' => self::weeks($each->weeks),
            ], $outlook->next($placement))];
    }

    /** @return array<string, mixed> the end of a stretch of a road */
    public static function ofStretch(Outlook $outlook, RoadStretch $stretch): array
    {
        $forecast = $outlook->on($stretch->ladder->id);

        return [
            'enough' => $forecast->hasEnough(),
            'assumptions' => $forecast->assumptions(),
            'weeks' => self::weeks($outlook->endOf($stretch)),
        ];
    }

    /** @return array{soonest: int, latest: ?int, text: string}|null */
    private static function weeks(?Weeks $weeks): ?array
    {
        return $weeks === null ? null : ['soonest' => $weeks->soonest, 'latest' => $weeks->latest, 'text' => $weeks->toWords()];
    }

    /**
     * @param  array<string, Standing>  $standings
     * @return list<Rung> every rung up to where the client stands: the weeks before count on their own rungs
     */
    private function onLadders(array $standings): array
    {
        return array_merge(
            [],
            ...array_values(
                array_map(fn (Standing $each): array => $this->data->library()->ladderOf($each->rung)->downFrom($each->rung), $standings),
            ),
        );
    }
}
