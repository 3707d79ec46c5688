<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Landing;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Placement, steps and landings at borders that whole plans seldom reach.
 */
final class PlacementBordersTest extends TestCase
{
    private static function rung(string $id): Rung
    {
        return Documents::data()->library()->rung($id);
    }

    /** @param  array<string, mixed>  $more */
    private static function client(array $more = []): Client
    {
        return Documents::client(['as_of' => '2027-01-10', 'equipment' => Documents::ALL_KIT, ...$more]);
    }

    /** @param  array<string, mixed>  $more */
    private static function on(string $ladder, array $more): Placement
    {
        foreach (Documents::placer()->place(self::client($more)) as $placement) {
            if ($placement->ladder->id === $ladder) {
                return $placement;
            }
        }
        self::fail('no ladder '.$ladder);
    }

    public function test_what_was_shown_on_another_ladder_of_the_direction_counts_one_level_less(): void
    {
        $why = static fn (array $more): string => implode(' ', self::on('rollout', $more)->why);
        self::assertStringContainsString('was not tested: taken as level 2', $why([]));
        $stands = ['standings' => ['plank' => ['rung' => 'forearm-plank']]];
        $level = self::rung('forearm-plank')->level->value;
        self::assertStringContainsString("level {$level} was shown on another, so one less", $why($stands));
        self::assertLessThanOrEqual(
            max($level - 1, self::rung('rollout-ball')->level->value),
            self::on('rollout', $stands)->rung->level->value ?? 1,
        );
        self::assertSame(
            Documents::data()->library()->ladder('dead-bug')->highestAtOrUnder($level - 1)?->id,
            self::on('dead-bug', $stands)->rung?->id,
        );
        $clean = ['tests' => ['ladders' => ['plank' => ['highest_clean' => 'hands-plank']]]];
        self::assertStringContainsString(sprintf('level %d was shown', self::rung('hands-plank')->level->value), $why($clean));
        $held = static fn (int $seconds): array => ['tests' => ['front-plank_s' => $seconds]];
        $start = (int) self::rung('forearm-plank')->start()->measure->work()->toNumber();
        self::assertStringContainsString("level {$level} was shown", $why($held($start)));
        self::assertStringContainsString(
            'was not tested: taken as level 2',
            $why($held($start - 1)),
            'shorter than its start shows nothing',
        );
        self::assertStringContainsString(
            sprintf('level %d was shown', self::rung('wall-plank')->level->value),
            $why(['standings' => ['plank' => ['rung' => 'wall-plank']], 'tests' => ['front-plank_s' => 200]]),
            'where somebody stands goes before what they once held',
        );
        self::assertStringContainsString(
            'was not tested: taken as level 2',
            $why(['standings' => ['side-plank' => ['rung' => 'side-plank-split']]]),
        );
    }

    public function test_a_clearance_allows_its_level_and_none_above(): void
    {
        $open = static fn (string $rung, int $most): bool => Obstacles::between(
            self::client(['clearances' => [['lifts' => 'stop:all', 'on' => '2027-01-06', 'max_level' => $most]], 'ability' => ['AE' => 9]]),
            self::rung($rung),
            Documents::data()->library(),
        )->isSafe();
        $level = self::rung('forearm-plank')->level->value;
        self::assertTrue($open('forearm-plank', $level));
        self::assertFalse($open('forearm-plank', $level - 1));
    }

    public function test_a_step_past_the_last_is_the_last_and_a_range_past_the_full_one_is_full(): void
    {
        $steps = Documents::steps();
        $rung = self::rung('heel-taps');
        self::assertSame([0, 0, $steps->last($rung), $steps->last($rung)], array_map(
            static fn (int $step): int => $steps->clamp($rung, $step),
            [-1, 0, $steps->last($rung), 99],
        ));
        self::assertEquals($steps->dose($rung, 0), $steps->dose($rung, 0, Range::share(1)));
        self::assertSame(0.5, $steps->dose($rung, 0, Range::share(0.5))->range?->share);
        self::assertSame($rung->steps[0]->measure, $steps->of($rung)[0]->measure);
        self::assertCount(count($rung->steps), $steps->of($rung), 'every step of its own, once');
        $top = $steps->of($rung)[$steps->last($rung)]->measure;
        self::assertSame($steps->last($rung), $steps->highestNotOver($rung, $top));
        self::assertSame(0, $steps->highestNotOver($rung, $steps->of($rung)[0]->measure));
        $wheel = self::rung('rollout-wheel-short');
        $scale = $wheel->range ?? self::fail('no range');
        foreach ($steps->of($wheel) as $i => $dose) {
            self::assertGreaterThanOrEqual($i, $steps->highestNotOver($wheel, $dose->measure, $scale->perMille($dose->range)) ?? -1);
        }
        self::assertNull($steps->highestNotOver($wheel, Shorthand::parse('1 × 20 s')->measure), 'counted otherwise');
    }

    public function test_a_ladder_that_changes_keeps_who_stands_on_it_as_near_as_it_can(): void
    {
        $library = Documents::data()->library();
        $ladder = $library->ladder('plank');
        $rung = self::rung('forearm-plank');
        $client = self::client();
        $of = static fn (int $step): Landing => Landing::of($rung, $step, $ladder, $library, $client, Documents::steps($client));
        $last = Documents::steps($client)->last($rung);
        self::assertSame([0, 'Stays.'], [$of(0)->step, $of(0)->why]);
        self::assertSame([$last, 'Stays.'], [$of($last)->step, $of($last)->why]);
        self::assertSame(
            [$last, sprintf('The rung has %d doses now: on its last.', $last + 1)],
            [$of($last + 1)->step, $of($last + 1)->why],
        );
        $sore = self::client(['limits' => [['limit' => 'shoulder', 'severity' => 'severe']]]);
        self::assertNotSame($rung, Landing::of($rung, 2, $ladder, $library, $sore, Documents::steps($sore))->rung);
    }

    public function test_a_standing_written_as_a_dose_is_the_highest_step_not_over_it(): void
    {
        $step = static fn (array $dose): int => self::on(
            'plank',
            ['standings' => ['plank' => ['rung' => 'forearm-plank', 'step' => 2, 'dose' => $dose]]],
        )->step;
        $steps = Documents::steps();
        $rung = self::rung('forearm-plank');
        $seconds = static fn (int $i): int|float => $steps->of($rung)[$i]->measure->work()->toNumber();
        self::assertSame(1, $step(['hold_s' => $seconds(1)]));
        self::assertSame(0, $step(['hold_s' => $seconds(1) - 1]));
        self::assertSame(0, $step(['hold_s' => 1]), 'less than the start is the start');
        self::assertSame(2, $step(['reps' => 8]), 'counted otherwise it says nothing');
    }
}
