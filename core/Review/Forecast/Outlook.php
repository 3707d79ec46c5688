<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Forecast;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Road;
use EvenRungs\Core\Placement\RoadStretch;
use EvenRungs\Core\Placement\Steps;

/**
 * When the next rungs of one client are likely: every dose step of a rung and the move to the next one is a step to earn. Rungs
 * that limits bar, or whose kit is not to hand, are stepped over.
 */
final class Outlook
{
    private const RUNGS_AHEAD = 3;

    private readonly Moves $moves;

    /**
     * @param  array<string, Forecast>  $byLadder
     * @param  array<string, int>  $running  qualifying sessions running at the present step, by ladder
     * @param  int  $cleanSessions  running, that a step takes
     * @param  Steps  $steps  of the client in the style
     * @param  ?Moves  $moves  by the goal and style of the client; null where neither is meant
     */
    public function __construct(
        private readonly array $byLadder,
        private readonly array $running,
        private readonly Library $library,
        private readonly Client $client,
        private readonly int $cleanSessions,
        private readonly Steps $steps,
        ?Moves $moves = null,
    ) {
        $this->moves = $moves ?? new Moves($library);
    }

    public function on(string $ladder): Forecast
    {
        return $this->byLadder[$ladder] ?? Forecast::unknown($this->cleanSessions);
    }

    /** @return array<string, Forecast> of the ladders that were trained, by ladder */
    public function all(): array
    {
        return $this->byLadder;
    }

    /** @return list<Expected> the next allowed rungs of a ladder, nearest first */
    public function next(Placement $placement): array
    {
        $rung = $placement->rung;
        $steps = $rung === null ? 0 : count($this->steps->of($rung)) - $placement->step;
        $next = [];
        while ($rung !== null && count($next) < self::RUNGS_AHEAD) {
            $rung = $this->moves->up($rung, $this->client);
            if ($rung !== null) {
                $next[] = new Expected($rung, $this->weeks($placement->ladder->id, $steps));
                $steps += count($this->steps->of($rung));
            }
        }

        return $next;
    }

    /** When the last rung of a stretch of a road is likely to be reached; null with too little data, or where nothing is left to climb. */
    public function endOf(RoadStretch $stretch): ?Weeks
    {
        if ($stretch->from === null || $stretch->rungs === []) {
            return null;
        }
        $steps = count($this->steps->of($stretch->from)) - $stretch->step;
        foreach (array_slice($stretch->rungs, 0, -1) as $rung) {
            $steps += Road::isPassedOver($rung, $this->client) ? 0 : count($this->steps->of($rung));
        }

        return $this->weeks($stretch->ladder->id, $steps);
    }

    private function weeks(string $ladder, int $steps): ?Weeks
    {
        return $this->on($ladder)->weeks($steps, $this->running[$ladder] ?? 0);
    }
}
