<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Gate;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;

/**
 * The way to an exercise that a client asks for: whether it may be done now, what stands in the way, the gates on other
 * ladders, the rungs between, and the next step.
 *
 * No rung is skipped on the way up, and a gate comes before what it opens.
 */
final class Road
{
    /**
     * @param  'here'|'next'|'not-yet'|'not-now'  $answer  stands there or above; the next rung; after others; barred or without kit
     * @param  list<string>  $because
     * @param  list<RoadStretch>  $stretches  ladders to climb, in the order to climb them; the last holds the exercise
     * @param  ?Rung  $next  the rung to work on this week; null where nothing on the way is allowed
     * @param  int  $nextStep  step of its dose to aim for
     */
    private function __construct(
        public readonly Rung $goal,
        public readonly string $answer,
        public readonly array $because,
        public readonly array $stretches,
        public readonly ?Rung $next,
        public readonly int $nextStep,
    ) {
    }

    /**
     * @param  list<Placement>  $placements  where the client stands
     * @param  Steps  $steps  of the client in the style
     * @param  ?Moves  $moves  what the goal and the style leave out: the next step is one that a plan can hold; null where none is meant
     */
    public static function to(
        Rung $goal,
        Client $client,
        array $placements,
        Library $library,
        Steps $steps,
        ?Moves $moves = null,
    ): self {
        $moves ??= new Moves($library);
        $standing = [];
        foreach ($placements as $placement) {
            $standing[$placement->ladder->id] = $placement;
        }
        $stretches = [];
        $seen = [];
        self::collect($goal, null, $client, $standing, $library, $stretches, $seen);
        $stretches = array_values($stretches);
        $obstacles = Obstacles::between($client, $goal, $library);
        $placement = $standing[$goal->ladder] ?? null;
        $between = self::between($placement?->rung, $goal, $library);

        $because = [];
        foreach ($obstacles->sentences($library) as $sentence) {
            $because[] = sprintf('%s %s.', $goal->name, $sentence);
        }
        $climb = array_filter($between, static fn (Rung $rung): bool => $rung !== $goal && ! self::isPassedOver($rung, $client));
        if ($climb !== []) {
            $because[] = sprintf(
                '%d %s between it and %s, and none is skipped.',
                count($climb),
                count($climb) === 1 ? 'rung lies' : 'rungs lie',
                $placement?->rung === null ? 'the foot of its ladder' : $placement->rung->name,
            );
        }
        $because = [...$because, ...self::steppedOver($stretches, $goal, $client, $library, $moves)];
        $answer = match (true) {
            $between === [] => 'here',
            $obstacles->bars !== [] || $obstacles->missingKit !== [] => 'not-now',
            $obstacles->isClear() && $climb === [] => 'next',
            default => 'not-yet',
        };
        [$next, $step] = self::next($stretches, $standing, $client, $steps, $moves);

        return new self($goal, $answer, $because, $stretches, $next, $step);
    }

    /**
     * @param  array<string, Placement>  $standing
     * @param  ?Gate  $gate  that leads here; null for the exercise asked for
     * @param  array<string, RoadStretch>  $stretches  by ladder; gates before what they open
     * @param  array<string, true>  $seen  rungs whose way is collected already: ladders of a studio's own may ask for each other
     */
    private static function collect(
        Rung $goal,
        ?Gate $gate,
        Client $client,
        array $standing,
        Library $library,
        array &$stretches,
        array &$seen,
    ): void {
        if (isset($seen[$goal->id])) {
            return;
        }
        $seen[$goal->id] = true;
        $placement = $standing[$goal->ladder] ?? null;
        $rungs = self::between($placement?->rung, $goal, $library);
        if ($gate !== null && $rungs === []) {
            // who stands there or above without having shown it still has to show it once
            $rungs = [$goal];
        }
        foreach ($rungs === [] ? [$goal] : $rungs as $rung) {
            if ($rung !== $goal && self::isPassedOver($rung, $client)) {
                continue;
            }
            foreach ($library->gates($rung) as $before) {
                $gateRung = $library->rung($before->rung);
                if (! Shown::by($client)->has($gateRung, $library)) {
                    self::collect($gateRung, $before, $client, $standing, $library, $stretches, $seen);
                }
            }
        }
        $known = $stretches[$goal->ladder] ?? null;
        $climb = $known === null || count($known->rungs) < count($rungs) ? $rungs : $known->rungs;
        $stretches[$goal->ladder] = new RoadStretch(
            $library->ladderOf($goal),
            $placement?->rung,
            $placement->step ?? 0,
            $climb,
            [...$known->goals ?? [], $goal->id => $gate?->what],
        );
    }

    /**
     * @param  list<RoadStretch>  $stretches
     * @return list<string> every rung that is stepped over, and why; then those that the goal or the style leaves out
     */
    private static function steppedOver(array $stretches, Rung $goal, Client $client, Library $library, Moves $moves): array
    {
        $over = $out = [];
        foreach ($stretches as $stretch) {
            foreach ($stretch->rungs as $rung) {
                if ($rung !== $goal && self::isPassedOver($rung, $client)) {
                    $why = implode('; ', Obstacles::between($client, $rung, $library)->sentences($library));
                    $over[] = sprintf('Stepped over: %s %s.', $rung->name, $why);
                } elseif (! $moves->isMeant($rung)) {
                    $out[] = $rung->name;
                }
            }
        }

        return $out === [] ? $over : [...$over, sprintf('The goal or the house style does not plan %s.', implode(', ', $out))];
    }

    /** A rung on the way that limits bar, or whose kit is not to hand, is stepped over. */
    public static function isPassedOver(Rung $rung, Client $client): bool
    {
        return $client->bars($rung) !== [] || $client->missingKit($rung) !== [];
    }

    /** @return list<Rung> the rungs to climb from where the client stands up to and with the goal; none where it is reached */
    private static function between(?Rung $from, Rung $goal, Library $library): array
    {
        $ladder = $library->ladderOf($goal);
        $start = $from === null || $from->ladder !== $goal->ladder ? -1 : (int) $ladder->indexOf($from->id);

        return array_slice($ladder->rungs, $start + 1, max(0, (int) $ladder->indexOf($goal->id) - $start));
    }

    /**
     * The first thing to do that a plan can hold: one more step of the dose where there is one, else the next allowed rung.
     *
     * @param  list<RoadStretch>  $stretches
     * @param  array<string, Placement>  $standing
     * @return array{?Rung, int}
     */
    private static function next(array $stretches, array $standing, Client $client, Steps $steps, Moves $moves): array
    {
        foreach ($stretches as $stretch) {
            $at = $standing[$stretch->ladder->id] ?? null;
            $first = $stretch->rungs[0] ?? null;
            if (
                $at?->rung !== null
                && $first !== null
                && $stretch->ladder->indexOf($first->id) <= $stretch->ladder->indexOf($at->rung->id)
                && $moves->isOpen($first, $client)
            ) {
                return [$first, $steps->last($first)];
            }
            $mayStep = $at?->rung !== null && $stretch->rungs !== [] && $moves->isOpen($at->rung, $client);
            if ($mayStep && $at->step < $steps->last($at->rung)) {
                return [$at->rung, $at->step + 1];
            }
            foreach ($stretch->rungs as $rung) {
                if ($moves->isOpen($rung, $client)) {
                    return [$rung, 0];
                }
            }
        }

        return [null, 0];
    }
}
