<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Landing;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Road;
use EvenRungs\Core\Placement\RoadStretch;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class RoadTest extends TestCase
{
    use TestTrait;

    /** @param  array<string, mixed>  $client */
    private static function road(string $goal, array $client): Road
    {
        $library = Documents::data()->library();
        $person = Documents::client($client);

        return Road::to($library->rung($goal), $person, Documents::placer()->place($person), $library, Documents::steps($person));
    }

    public function test_gates_on_other_ladders_come_before_what_they_open(): void
    {
        $road = self::road(
            'swing-two-hands',
            ['equipment' => ['kettlebell', 'bench', 'band'], 'ability' => ['AF' => 3, 'AR' => 4, 'IN' => 6]],
        );

        self::assertSame('not-yet', $road->answer);
        self::assertSame(
            ['standing-control', 'hinge', 'swing'],
            array_map(static fn (RoadStretch $each): string => $each->ladder->id, $road->stretches),
        );
        self::assertSame('hinge-kettlebell-floor', $road->stretches[1]->rungs[count($road->stretches[1]->rungs) - 1]->id);
        self::assertSame('standing-control', $road->next?->ladder, 'the gate of the first rung on the way is worked on first');
    }

    public function test_who_stands_above_a_gate_without_having_shown_it_shows_it_once(): void
    {
        $road = self::road(
            'swing-two-hands',
            ['equipment' => ['kettlebell', 'bench', 'band', 'bar'], 'ability' => ['AF' => 5, 'AR' => 7, 'IN' => 6]],
        );

        self::assertSame(['hinge-kettlebell-floor'], array_map(static fn (Rung $rung): string => $rung->id, $road->stretches[0]->rungs));
        self::assertSame(['hinge-kettlebell-floor', 2], [$road->next?->id, $road->nextStep]);
    }

    public function test_a_barred_exercise_is_not_for_now_and_says_why(): void
    {
        $road = self::road('hands-plank', ['limits' => ['wrist'], 'ability' => ['AE' => 4]]);

        self::assertSame('not-now', $road->answer);
        self::assertStringContainsString('barred by sore wrist', $road->because[0]);
    }

    public function test_the_rung_where_the_client_stands_needs_no_road(): void
    {
        self::assertSame('here', self::road('forearm-plank', ['ability' => ['AE' => 4], 'tests' => ['front-plank_s' => 60]])->answer);
        self::assertSame('next', self::road('dead-bug-same-side', ['ability' => ['AE' => 5]])->answer);
    }

    public function test_every_road_ends_at_its_goal_and_its_next_step_is_allowed(): void
    {
        $library = Documents::data()->library();
        $ids = array_map(static fn (Rung $rung): string => $rung->id, $library->rungs());
        $this->limitTo(150)->forAll(
            Generators::elements(...$ids),
            Generators::choose(1, 9),
            Generators::subset(['shoulder', 'wrist', 'kneeling', 'balance']),
            Generators::subset(['band', 'wall', 'kettlebell', 'wheel', 'ball', 'bench', 'hang', 'bar']),
        )
            ->then(static function (string $goal, int $level, array $limits, array $kit) use ($library): void {
                $client = Documents::client(
                    [
                        'limits' => array_values($limits),
                        'equipment' => array_values($kit),
                        'ability' => ['AE' => $level, 'AF' => $level, 'AL' => $level, 'AR' => $level],
                    ],
                );
                $road = Road::to($library->rung($goal), $client, Documents::placer()->place($client), $library, Documents::steps($client));
                $last = $road->stretches[count($road->stretches) - 1];
                self::assertSame($library->rung($goal)->ladder, $last->ladder->id);
                self::assertArrayHasKey($goal, $last->goals);
                if ($road->next !== null) {
                    self::assertTrue(Obstacles::between($client, $road->next, $library)->isClear(), $goal.' by '.$road->next->id);
                }
                if ($road->answer === 'next') {
                    self::assertTrue(Obstacles::between($client, $library->rung($goal), $library)->isClear(), $goal);
                }
                if (in_array($road->answer, ['not-yet', 'not-now'], true)) {
                    self::assertNotSame([], $road->because, $goal.': whoever is told to wait is told why');
                } elseif ($road->answer === 'next') {
                    foreach ($road->because as $line) {
                        self::assertStringStartsWith('Stepped over: ', $line, $goal);
                    }
                }
            });
    }

    public function test_ladders_that_ask_for_each_other_do_not_go_round_in_circles(): void
    {
        $asking = static function (string $ladder, string $gate): \EvenRungs\Core\Ladder\Ladder {
            $document = LibraryJson::document(Documents::data()->library()->ladder($ladder));
            $document['rungs'][1]['requires'] = [['rung' => $gate, 'what' => 'clean once']];

            return LibraryJson::readLadder(new Node($document), Documents::data()->poses());
        };
        $library = Documents::data()->library()->with(
            [$asking('bridge', 'hip-straight-leg'), $asking('side-lying-hip', 'bridge-hold'), $asking('kickback', 'hip-straight-leg')],
        );
        $client = Documents::client([]);
        $placer = new \EvenRungs\Core\Placement\Placer($library);

        self::assertNotSame(
            [],
            Road::to($library->rung('kickback-lift'), $client, $placer->place($client), $library, Documents::steps($client))->stretches,
        );
        self::assertNotSame(
            [],
            Road::to($library->rung('hip-straight-leg'), $client, $placer->place($client), $library, Documents::steps($client))->stretches,
        );
    }

    /** @param  callable(array<string, mixed>): array<string, mixed>  $change */
    private static function land(string $ladderId, string $rung, int $step, callable $change): Landing
    {
        $library = Documents::data()->library();
        $document = $change(LibraryJson::document($library->ladder($ladderId)));
        $after = $library->with([LibraryJson::readLadder(new Node($document), Documents::data()->poses())]);

        return Landing::of(
            $library->rung($rung),
            $step,
            $library->ladder($ladderId),
            $after,
            Documents::client(['equipment' => array_keys($library->equipment), 'ability' => ['AE' => 9, 'AL' => 9]]),
            Documents::steps(),
        );
    }

    public function test_who_stands_on_a_retired_rung_lands_on_the_nearest_below_and_at_the_bottom_above(): void
    {
        $retire = static fn (string $id): callable => static fn (array $ladder): array => [
            ...$ladder,
            'rungs' => array_map(static fn (array $rung): array => [...$rung, 'retired' => $rung['id'] === $id], $ladder['rungs']),
        ];

        self::assertSame('side-plank-split', self::land('side-plank', 'side-plank-stacked', 2, $retire('side-plank-stacked'))->rung?->id);
        self::assertSame('side-plank-knees', self::land('side-plank', 'side-plank-wall', 0, $retire('side-plank-wall'))->rung?->id);
    }

    public function test_a_step_that_is_gone_becomes_the_last_and_a_rung_that_stays_is_kept(): void
    {
        $cut = static fn (array $ladder): array => [
            ...$ladder,
            'rungs' => array_map(
                static fn (array $rung): array => [...$rung, 'steps' => array_slice($rung['steps'], 0, 2)],
                $ladder['rungs'],
            ),
        ];
        $landing = self::land('dead-bug', 'heel-taps', 2, $cut);

        self::assertSame(['heel-taps', 1], [$landing->rung?->id, $landing->step]);
    }

    public function test_every_rung_that_is_stepped_over_is_named_with_its_reason(): void
    {
        $road = self::road('plank-foot-lift', ['limits' => [], 'equipment' => ['mat'], 'ability' => ['AE' => 1]]);
        $said = implode("\n", $road->because);
        foreach ($road->stretches[0]->rungs as $rung) {
            if ($rung !== $road->goal && Road::isPassedOver($rung, Documents::client(['equipment' => ['mat']]))) {
                self::assertStringContainsString('Stepped over: '.$rung->name.' needs', $said);
            }
        }
        self::assertStringContainsString('Plank, hands on a bench', $said);
    }

    public function test_the_next_step_is_one_that_the_plan_can_hold(): void
    {
        $data = Documents::data();
        $library = $data->library();
        $person = Documents::client(['goal' => 'rehab', 'equipment' => Documents::ALL_KIT, 'ability' => ['AE' => 4]]);
        $moves = new Moves($library, $data->goals()['rehab'], $data->style('even-keel'));
        $place = Documents::placer()->place($person);
        $road = Road::to($library->rung('plank-opposite-lift'), $person, $place, $library, Documents::steps($person), $moves);
        self::assertTrue($road->next === null || $moves->isOpen($road->next, $person));
        self::assertStringContainsString('does not plan', implode(' ', $road->because), 'rehab ends at level 4');
    }
}
