<?php

declare(strict_types=1);

namespace App\Board;

use EvenRungs\Core\Body\Client as Person;
use EvenRungs\Core\Forecast\Forecast;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\RoadStretch;

/**
 * When the next rungs of one client are likely.
 */
final class ClientForecast
{
    private const RUNGS_AHEAD = 3;

    /**
     * @param  array<string, Forecast>  $byLadder
     * @param  array<string, int>  $running  qualifying sessions running at the present step, by ladder
     */
    public function __construct(
        private readonly array $byLadder,
        private readonly array $running,
        private readonly Library $library,
        private readonly Person $person,
        private readonly int $cleanSessions,
    ) {
    }

    private function on(string $ladder): Forecast
    {
        return $this->byLadder[$ladder] ?? Forecast::from(0, [], $this->cleanSessions);
    }

    /** @return array<string, mixed> the next allowed rungs of a ladder, each with its weeks */
    public function ladder(Placement $placement): array
    {
        $forecast = $this->on($placement->ladder->id);
        $moves = new Moves($this->library);
        $rung = $placement->rung;
        $steps = $rung === null ? 0 : count($rung->steps) - $placement->step;
        $next = [];
        while ($rung !== null && count($next) < self::RUNGS_AHEAD) {
            $rung = $moves->up($rung, $this->person);
            if ($rung !== null) {
                $next[] = ['rung' => $rung->id, 'name' => $rung->name, 'level' => $rung->level->value, 'weeks' => $this->weeks($forecast, $steps, $placement->ladder->id)];
                $steps += count($rung->steps);
            }
        }

        return ['enough' => $forecast->hasEnough(), 'assumptions' => $forecast->assumptions(), 'next' => $next];
    }

    /** @return array{soonest: int, latest: ?int}|null */
    private function weeks(Forecast $forecast, int $steps, string $ladder): ?array
    {
        $weeks = $forecast->weeks($steps, $this->running[$ladder] ?? 0);

        return $weeks === null ? null : ['soonest' => $weeks[0], 'latest' => $weeks[1]];
    }

    /** @return array<string, mixed> when the last rung of a stretch of a road is likely to be reached */
    public function stretch(RoadStretch $stretch): array
    {
        $forecast = $this->on($stretch->ladder->id);
        $steps = $stretch->from === null ? 0 : count($stretch->from->steps) - $stretch->step;
        foreach (array_slice($stretch->rungs, 0, -1) as $rung) {
            $steps += $this->person->bars($rung) === [] && $this->person->missingKit($rung) === [] ? count($rung->steps) : 0;
        }

        return ['enough' => $forecast->hasEnough(), 'assumptions' => $forecast->assumptions(), 'weeks' => $stretch->rungs === [] || $stretch->from === null ? null : $this->weeks($forecast, max(1, $steps), $stretch->ladder->id)];
    }
}
