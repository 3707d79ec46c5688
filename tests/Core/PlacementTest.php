<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Placement\Placement;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class PlacementTest extends TestCase
{
    private const KIT = ['mat', 'band', 'kettlebell', 'ankle-weight', 'wall', 'bench'];

    /** @param  array<string, mixed>  $client */
    private static function on(string $ladder, array $client): Placement
    {
        return Documents::place(Documents::client(['equipment' => self::KIT, ...$client]))[$ladder];
    }

    public function test_the_lower_of_two_sides_sets_the_rung(): void
    {
        $placement = self::on(
            'bird-dog',
            ['tests' => ['ladders' => ['bird-dog' => ['highest_clean' => ['left' => 'bird-dog-held', 'right' => 'bird-dog-leg']]]]],
        );

        self::assertSame(
            ['bird-dog-leg', 'right', Basis::HighestClean, 0],
            [$placement->rung?->id, $placement->worseSide, $placement->basis, $placement->step],
        );
    }

    public function test_a_clean_rung_goes_before_a_timed_hold_and_a_hold_before_typed_ability(): void
    {
        $held = ['side-plank-left_s' => 60, 'side-plank-right_s' => 60];

        self::assertSame(
            'side-plank-knees',
            self::on(
                'side-plank',
                ['ability' => ['AL' => 8], 'tests' => [...$held, 'ladders' => ['side-plank' => ['highest_clean' => 'side-plank-knees']]]],
            )->rung?->id,
        );
        self::assertSame(
            'side-plank-stacked',
            self::on('side-plank', ['ability' => ['AL' => 8], 'tests' => $held])->rung?->id,
            'two thirds of 60 s are past the top of 30 s: at most one level above',
        );
        self::assertSame(
            'side-plank-dips',
            self::on('side-plank', ['ability' => ['AL' => 8]])->rung?->id,
            'a typed 8 that nothing has shown counts as 6',
        );
    }

    public function test_a_timed_hold_reaches_its_rung_where_two_thirds_of_the_worse_side_hold_its_start(): void
    {
        $rung = static fn (float $left, float $right): ?string => self::on(
            'side-plank',
            ['tests' => ['side-plank-left_s' => $left, 'side-plank-right_s' => $right]],
        )->rung?->id;

        self::assertSame('side-plank-split', $rung(15, 40), '10 s of 15');
        self::assertSame('side-plank-knees', $rung(40, 14.9), 'two thirds of 14.9 s are under 10 s');
    }

    public function test_one_side_alone_is_no_test(): void
    {
        self::assertSame(Basis::Ability, self::on('side-plank', ['ability' => ['AL' => 3], 'tests' => ['side-plank-left_s' => 60]])->basis);
    }

    public function test_an_untested_direction_is_level_two_and_says_so(): void
    {
        $placement = self::on('press-out', []);

        self::assertSame('press-out-seated', $placement->rung?->id);
        self::assertStringContainsString('not tested', $placement->why[0]);
    }

    public function test_a_sore_shoulder_lowers_the_side_plank_to_the_wall_and_names_stress_and_grade(): void
    {
        $placement = self::on('side-plank', ['ability' => ['AL' => 6], 'limits' => ['shoulder']]);

        self::assertSame('side-plank-wall', $placement->rung?->id);
        $split = array_values(array_filter($placement->obstacles, static fn ($each): bool => $each->rung->id === 'side-plank-split'))[0];
        self::assertSame(['shoulder', 'shoulder-load', 2], [$split->bars[0]->limit, $split->bars[0]->stress, $split->bars[0]->grade]);
    }

    public function test_severity_decides_from_which_grade_a_stress_bars(): void
    {
        $rung = static fn (string $severity): ?string => self::on(
            'side-plank',
            ['ability' => ['AL' => 6], 'limits' => [['limit' => 'shoulder', 'severity' => $severity]]],
        )->rung?->id;

        self::assertSame(['side-plank-dips', 'side-plank-wall', null], [$rung('mild'), $rung('moderate'), $rung('severe')]);
    }

    public function test_where_nothing_is_allowed_a_swap_of_the_same_direction_is_offered(): void
    {
        $placement = self::on('press-out', ['ability' => ['AR' => 2], 'equipment' => []]);
        self::assertSame('palm-press', $placement->rung?->id);

        $placement = self::on('side-plank', ['ability' => ['AL' => 3], 'equipment' => [], 'limits' => ['shoulder']]);
        self::assertNull($placement->rung);
        self::assertNotSame([], $placement->why);
    }

    public function test_thin_bones_keep_the_flat_hinge_and_lose_it_under_load(): void
    {
        $client = ['ability' => ['AF' => 5], 'limits' => ['osteoporosis'], 'equipment' => [...self::KIT, 'bar']];

        self::assertSame('hinge-stick-shoulders', self::on('hinge', $client)->rung?->id);
        self::assertSame(
            'hinge-stick-shoulders',
            self::on('hinge', [...$client, 'limits' => [['limit' => 'back-bending', 'severity' => 'severe']]])->rung?->id,
            'the flat hinge bends nothing',
        );
    }

    public function test_a_gate_opens_by_a_clean_rung_or_an_ability_a_level_above(): void
    {
        $raised = static fn (array $client): ?string => self::on('bridge', $client)->rung?->id;

        self::assertSame('bridge-march-hold', $raised(['tests' => ['ladders' => ['bridge' => ['highest_clean' => 'bridge-march-hold']]]]));
        self::assertSame('single-leg-bridge', $raised(['ability' => ['HP' => 6]]), 'level 6 is one above the march hold');
        $carry = self::on('carry', ['tests' => ['ladders' => ['carry' => ['highest_clean' => 'carry-hip']]]]);
        $later = array_values(array_filter($carry->obstacles, static fn ($each): bool => $each->rung->id === 'carry-overhead'))[0];
        self::assertSame('carry-shoulder', $later->unmetGates[0]->rung);
    }

    public function test_missing_kit_takes_the_nearest_rung_below(): void
    {
        self::assertSame('dead-bug-same-side', self::on('dead-bug', ['ability' => ['AE' => 8], 'equipment' => ['mat']])->rung?->id);
    }
}
