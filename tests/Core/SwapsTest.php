<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Swap;
use EvenRungs\Core\Placement\Swaps;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class SwapsTest extends TestCase
{
    use TestTrait;

    /**
     * @param  array<string, mixed>  $client
     * @return list<Swap>
     */
    private static function swaps(string $rung, array $client): array
    {
        $library = Documents::data()->library();

        return (new Swaps($library))->for($library->rung($rung), Documents::client($client));
    }

    /**
     * @param  list<Swap>  $swaps
     * @return list<string>
     */
    private static function ids(array $swaps): array
    {
        return array_map(static fn (Swap $swap): string => $swap->rung->id, $swaps);
    }

    public function test_a_sore_shoulder_swaps_the_side_plank_for_the_carry_at_the_hip(): void
    {
        $swaps = self::swaps(
            'side-plank-split',
            ['limits' => ['shoulder'], 'equipment' => ['kettlebell', 'wall'], 'ability' => ['AL' => 4]],
        );

        self::assertSame(
            ['carry-hip', 'side-lying-both-legs', 'march-loaded', 'side-lying-top-leg', 'side-plank-wall'],
            self::ids($swaps),
            'same level first, then the nearest easier one',
        );
        self::assertSame(['balance'], $swaps[2]->newStresses);
        self::assertSame(
            [
                ['Trains anti-lateral-flexion too.', '1 level easier.', 'Adds balance.'],
                ['Trains anti-lateral-flexion too.', '2 levels easier.'],
            ],
            [$swaps[2]->why, array_slice($swaps[3]->why, 0, 2)],
        );
    }

    public function test_easier_goes_before_harder_at_the_same_distance(): void
    {
        $ids = self::ids(self::swaps('side-plank-stacked', ['equipment' => [], 'ability' => ['AL' => 6]]));

        self::assertLessThan(array_search('side-plank-hand', $ids, true), array_search('side-plank-split', $ids, true));
    }

    public function test_nothing_more_than_a_level_above_the_ability_is_offered(): void
    {
        $levels = array_map(
            static fn (Swap $swap): int => $swap->rung->level->value,
            self::swaps('dead-bug-cuffs', ['equipment' => ['band', 'wall', 'bench'], 'ability' => ['AE' => 3]]),
        );

        self::assertSame(4, max($levels));
    }

    public function test_another_direction_is_offered_only_where_the_own_has_nothing_and_says_what_stays_a_gap(): void
    {
        $swaps = self::swaps(
            'bird-dog-opposite',
            [
                'limits' => [
                    ['limit' => 'wrist', 'severity' => 'severe'],
                    'floor-transfer',
                    ['limit' => 'hamstring', 'severity' => 'severe'],
                ],
                'equipment' => ['band'],
                'ability' => ['AF' => 4, 'AR' => 4],
            ],
        );

        self::assertNotSame([], $swaps);
        foreach ($swaps as $swap) {
            self::assertFalse($swap->sameDirection);
            self::assertStringContainsString('anti-flexion stays a gap', $swap->why[0]);
        }
    }

    public function test_every_swap_is_allowed_and_ranked_by_distance(): void
    {
        $library = Documents::data()->library();
        $rungs = array_map(static fn ($rung): string => $rung->id, $library->rungs());
        $this->limitTo(150)->forAll(
            Generators::elements(...$rungs),
            Generators::subset(array_keys($library->limits)),
            Generators::subset(array_keys($library->equipment)),
        )->then(function (string $id, array $limits, array $kit) use ($library): void {
            $client = Documents::client(['limits' => array_values($limits), 'equipment' => array_values($kit)]);
            $rung = $library->rung($id);
            $distance = 0;
            foreach ((new Swaps($library))->for($rung, $client) as $swap) {
                self::assertTrue(Obstacles::between($client, $swap->rung, $library)->isClear(), $swap->rung->id);
                self::assertNotSame($rung, $swap->rung);
                $step = abs($swap->rung->level->value - $rung->level->value);
                self::assertGreaterThanOrEqual($distance, $step);
                $distance = $step;
            }
        });
    }

    public function test_a_swap_stands_at_most_one_level_above_where_the_client_stands_on_its_ladder(): void
    {
        $client = Documents::client(
            [
                'equipment' => ['mat', 'ball', 'band', 'kettlebell'],
                'standings' => ['external-rotation' => ['rung' => 'external-rotation-free', 'step' => 0]],
            ],
        );
        $levels = [];
        foreach ((new Swaps(Documents::data()->library()))->sameDirection(
            Documents::data()->library()->rung('prone-y-weights'),
            $client,
        ) as $swap) {
            if ($swap->rung->ladder === 'external-rotation') {
                $levels[] = $swap->rung->level->value;
            }
        }

        self::assertNotSame([], $levels);
        self::assertLessThanOrEqual(3, max($levels), 'nobody typed an ability, and the client stands on level 2 there');
    }
}
