<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Planning\Edit\ProgramEdit;
use EvenRungs\Core\Planning\Edit\StandingEdit;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class ProgressionTest extends TestCase
{
    use TestTrait;

    private static function client(string $goal = 'general', int $level = 5): Client
    {
        return Documents::client([
            'goal' => $goal, 'equipment' => ['band', 'wall', 'bench', 'kettlebell', 'ball'],
            'ability' => array_fill_keys(['BR', 'AE', 'AF', 'AL', 'AR', 'HP'], $level),
            'days' => ['mon' => 25, 'wed' => 25, 'fri' => 25],
        ]);
    }

    /** @return list<Entry> */
    private static function entries(Week $week): array
    {
        return array_merge([], ...array_map(static fn (Session $session): array => $session->entries(), $week->sessions));
    }

    private static function sets(Week $week): int
    {
        return array_sum(DirectionShares::of($week, Documents::data()->library())->sets);
    }

    public function test_doses_grow_step_by_step_and_a_ladder_goes_on_where_its_steps_end(): void
    {
        $library = Documents::data()->library();
        $seen = [];
        foreach (Documents::plan(self::client(), 12)->weeks as $week) {
            foreach (self::entries($week) as $entry) {
                $rung = $library->rung($entry->exercise);
                $place = [(int) $library->ladderOf($rung)->indexOf($rung->id), $entry->dose->measure->amount()];
                $before = $seen[$rung->ladder] ?? $place;
                self::assertGreaterThanOrEqual($before, $place, $rung->ladder.' in week '.$week->number);
                self::assertLessThanOrEqual(1 + $before[0], $place[0], 'no rung is skipped');
                $seen[$rung->ladder] = $place;
            }
        }
        $first = array_map(
            static fn (Entry $entry): string => $entry->exercise,
            self::entries(Documents::plan(self::client(), 1)->weeks[0]),
        );
        $last = array_map(
            static fn (Entry $entry): string => $entry->exercise,
            self::entries(Documents::plan(self::client(), 12)->weeks[11]),
        );
        self::assertNotSame([], array_diff($last, $first), 'twelve weeks change some rungs');
    }

    public function test_what_is_only_expected_stays_within_a_level_of_what_is_typed_and_two_of_where_one_stands(): void
    {
        $data = Documents::data();
        $style = $data->style('long-haul');
        $reached = static function (array $ability) use ($data, $style): int {
            $client = Documents::client(['equipment' => ['mat', 'wall', 'bench'], 'days' => ['mon' => 40], 'ability' => $ability]);
            $progression = new Progression($data->library(), $style, new Steps($style, $client), GoalRule::for($client, $data->goals()));

            // a year and a half of weeks, so that nothing but the bound ends it
            return $progression->expected($data->library()->rung('side-plank-knees'), 0, null, 80, $client)->rung->level->value;
        };
        self::assertSame([4, 6, 5], [$reached(['AL' => 3]), $reached(['AL' => 5]), $reached(['AE' => 3])], 'the first rung is of level 3');
    }

    public function test_what_a_week_expected_and_did_not_get_is_taken_back(): void
    {
        [$library, $style] = [Documents::data()->library(), Documents::data()->style('full-compass')];
        $client = self::client();
        $program = Documents::plan($client, 6);
        $standings = [];
        foreach (self::entries($program->weeks[0]) as $entry) {
            $rung = $library->rung($entry->exercise);
            $step = array_search(
                $entry->dose->measure,
                array_map(static fn ($dose) => $dose->measure, (new Steps($style, $client))->of($rung)),
                false,
            );
            $standings[$rung->ladder] ??= new Standing($rung, (int) $step);
        }
        $stood = $client->known(new DateTimeImmutable('2027-02-01'), $standings, [], null);
        $edit = new StandingEdit($library, new Steps($style, $stood));
        $progression = new Progression($library, $style, new Steps($style, $stood), GoalRule::for($stood, Documents::data()->goals()));
        $caughtUp = $edit->caughtUp($program, $stood, $progression, 5);

        $asked = static fn (Week $week): array => array_column(
            array_map(static fn (Entry $entry): array => [$entry->exercise, $entry->dose->measure->amount()], self::entries($week)),
            1,
            0,
        );
        self::assertNotSame(
            [],
            array_diff_assoc($asked($program->weeks[4]), $asked($program->weeks[0])),
            'the fifth week expected more than the first',
        );
        foreach ($asked($caughtUp->weeks[4]) as $exercise => $amount) {
            $at = $standings[$library->rung($exercise)->ladder] ?? null;
            if ($at !== null) {
                self::assertSame(
                    [$at->rung->id, (new Steps($style, $stood))->dose($at->rung, $at->step)->measure->amount()],
                    [$exercise, $amount],
                );
            }
        }
        self::assertSame($caughtUp, $edit->caughtUp($caughtUp, $stood, $progression, 5), 'and only once');
        self::assertSame($program, $edit->caughtUp($program, $stood, $progression, 1), 'the first week expects nothing');

        $typed = (new ProgramEdit($library, new Steps($style, $stood)))->changeDose($program, 4, 0, 1, 0, Shorthand::parse('2 × 60 s'));
        self::assertEquals(
            $typed->weeks[4]->sessions[0]->blocks[1]->entries()[0],
            $edit->caughtUp($typed, $stood, $progression, 5)->weeks[4]->sessions[0]->blocks[1]->entries()[0],
            'what the trainer typed stays',
        );
    }

    public function test_every_fourth_week_is_lighter_and_the_last_ends_with_a_test(): void
    {
        $weeks = Documents::plan(self::client(), 6)->weeks;

        self::assertLessThan(self::sets($weeks[2]), self::sets($weeks[3]));
        self::assertNotNull($weeks[3]->x->text('lighter'));
        self::assertNotNull($weeks[5]->x->text('test_day'));
        self::assertFalse($weeks[0]->x->areWritten());
        self::assertFalse(Documents::plan(self::client(), 1)->weeks[0]->x->areWritten());
    }

    public function test_rehab_stays_under_its_level(): void
    {
        foreach (Documents::plan(self::client('rehab', 3), 12)->weeks as $week) {
            foreach (self::entries($week) as $entry) {
                self::assertLessThanOrEqual(4, Documents::data()->library()->rung($entry->exercise)->level->value);
            }
        }
    }

    /** House rule: a week's work grows by a fifth at most, or by one set. */
    public function test_growth_is_bounded_and_every_expected_rung_is_allowed(): void
    {
        $this->limitTo(40)->forAll(
            Generators::choose(1, 9),
            Generators::elements(...Documents::data()->styleNames()),
            Generators::elements('general', 'strength', 'youth', 'endurance-sport', 'healthy-ageing'),
            Generators::subset(['shoulder', 'kneeling', 'back-arching', 'balance', 'wrist']),
            Generators::choose(5, 40),
        )->then(function (int $level, string $style, string $goal, array $limits, int $minutes): void {
            $client = Documents::client([
                'goal' => $goal, 'equipment' => ['band', 'wall', 'kettlebell'], 'limits' => array_values($limits),
                'ability' => array_fill_keys(['BR', 'AE', 'AF', 'AL', 'AR'], $level),
                'days' => ['mon' => $minutes, 'thu' => $minutes, 'sat' => 15],
            ]);
            $this->assertBounded(Documents::plan($client, 8, $style), $client);
        });
    }

    private function assertBounded(Program $program, Client $client): void
    {
        $library = Documents::data()->library();
        $most = null;
        foreach ($program->weeks as $week) {
            foreach (self::entries($week) as $entry) {
                self::assertTrue(Obstacles::between($client, $library->rung($entry->exercise), $library)->isClear(), $entry->exercise);
            }
            foreach ($week->sessions as $session) {
                self::assertLessThanOrEqual(60_000 * $client->minutesOn($session->day), Documents::time($session)->time->total()->ms);
            }
            $shares = DirectionShares::of($week, $library);
            $ms = array_sum(array_map(static fn (Category $each): int => $shares->ms[$each->value], Category::directions()));
            $sets = array_sum($shares->sets);
            if ($most !== null && $week->x->text('lighter') === null) {
                self::assertTrue(
                    $ms <= 1.2 * $most[0] || $sets <= $most[1] + 1,
                    sprintf('week %d: %d ms after %d, %d sets after %d', $week->number, $ms, $most[0], $sets, $most[1]),
                );
            }
            $most = $week->x->text('lighter') !== null ? $most : [max($most[0] ?? 0, $ms), max($most[1] ?? 0, $sets)];
        }
    }
}
