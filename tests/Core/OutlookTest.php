<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Road;
use EvenRungs\Core\Review\Forecast\Expected;
use EvenRungs\Core\Review\Forecast\Forecast;
use EvenRungs\Core\Review\Forecast\Outlook;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Which steps lie between a client and the next rungs. With every session clean and twice a week, two clean ones a step make a
 * step a week at the soonest (calc).
 */
final class OutlookTest extends TestCase
{
    private static function outlook(array $client = []): Outlook
    {
        $sessions = array_map(
            static fn (int $i): array => [new DateTimeImmutable(sprintf('2026-10-%02d', 2 + intdiv(7 * $i, 2))), true],
            range(0, 7),
        );

        return new Outlook(
            ['dead-bug' => Forecast::from($sessions, new DateTimeImmutable('2026-10-29'), 2)],
            [],
            Documents::data()->library(),
            self::person($client),
            2,
            Documents::steps(self::person($client)),
        );
    }

    private static function person(array $more = []): Client
    {
        return Documents::client(
            ['name' => 'Somebody', 'equipment' => ['mat', 'kettlebell', 'ankle-weight'], 'screen' => ['flags' => []], ...$more],
        );
    }

    /** @return array<string, Placement> by ladder */
    private static function placements(string $rung, int $step, array $client = []): array
    {
        $library = Documents::data()->library();
        $placed = Documents::placer()->place(
            self::person($client)->standing([$library->rung($rung)->ladder => new Standing($library->rung($rung), $step)]),
        );

        return array_combine(array_map(static fn (Placement $each): string => $each->ladder->id, $placed), $placed);
    }

    public function test_every_dose_step_left_and_the_move_up_are_steps_to_earn(): void
    {
        $ladder = Documents::data()->library()->ladder('dead-bug');
        $rung = Documents::data()->library()->rung('heel-taps');
        $next = self::outlook()->next(self::placements('heel-taps', 0)['dead-bug']);
        self::assertCount(3, $next);
        self::assertSame($ladder->above($rung)[0], $next[0]->rung);
        $steps = count($rung->steps);
        foreach ($next as $i => $expected) {
            self::assertSame($steps, $expected->weeks?->soonest, 'a step a week');
            $steps += count($expected->rung->steps);
        }
        $last = self::outlook()->next(self::placements('heel-taps', count($rung->steps) - 1)['dead-bug']);
        self::assertSame(1, $last[0]->weeks?->soonest, 'from the last dose step one is left');
    }

    public function test_a_ladder_that_nobody_logged_has_rungs_ahead_and_no_weeks(): void
    {
        $next = self::outlook()->next(self::placements('forearm-plank', 0)['plank']);
        self::assertNotSame([], $next);
        self::assertSame([], array_filter($next, static fn (Expected $each): bool => $each->weeks !== null));
        self::assertFalse(self::outlook()->on('plank')->hasEnough());
    }

    public function test_what_a_limit_bars_is_stepped_over_and_costs_no_time(): void
    {
        $library = Documents::data()->library();
        $goal = $library->rung('dead-bug-plate-overhead');
        $end = static function (array $client) use ($goal, $library): ?int {
            $placements = self::placements('heel-taps', 0, $client);
            $road = Road::to($goal, self::person($client), array_values($placements), $library, Documents::steps());
            $stretch = $road->stretches[count($road->stretches) - 1];

            return self::outlook($client)->endOf($stretch)?->soonest;
        };
        $between = array_slice($library->ladder('dead-bug')->above($library->rung('heel-taps')), 0, -2);
        $steps = count($library->rung('heel-taps')->steps) + array_sum(
            array_map(static fn ($rung): int => $rung === $goal ? 0 : count($rung->steps), $between),
        );
        self::assertSame($steps, $end([]));
        self::assertLessThan($steps, $end(['equipment' => ['mat']]), 'without a weight the weighted rungs between are passed over');
    }
}
