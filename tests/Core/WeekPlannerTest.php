<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\TestTrait;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\Kind;
use PHPUnit\Framework\TestCase;

final class WeekPlannerTest extends TestCase
{
    use TestTrait;
    use Weeks;

    public function test_three_days_of_twenty_minutes_cover_every_direction_and_open_with_the_switch_on(): void
    {
        $program = self::week(['days' => ['mon' => 20, 'wed' => 20, 'fri' => 20]]);

        self::assertSame([], $program->gaps);
        foreach ($program->weeks[0]->sessions as $session) {
            self::assertSame(Category::Bracing, $session->entries()[0]->planned?->category);
        }
    }

    public function test_who_cannot_get_down_to_the_floor_switches_on_standing(): void
    {
        $program = self::week(
            [
                'days' => ['mon' => 20, 'thu' => 20],
                'limits' => ['floor-transfer'],
                'ability' => ['AE' => 2, 'AF' => 2, 'AL' => 2, 'AR' => 2],
            ],
        );

        self::assertSame('standing-brace-reach', $program->weeks[0]->sessions[0]->entries()[0]->exercise);
    }

    public function test_a_heavy_day_gets_a_switch_on_and_the_day_before_stays_light(): void
    {
        $sessions = self::byDay(
            self::week(
                [
                    'days' => ['mon' => 30, 'tue' => 30, 'thu' => 30, 'sat' => 30],
                    'other_training' => [['day' => 'tue', 'type' => 'heavy-lift']],
                ],
            ),
        );

        self::assertSame(Kind::Activation, $sessions['tue']->kind);
        self::assertFalse(self::isHard($sessions['mon']));
        self::assertTrue(self::isHard($sessions['thu']));
        self::assertTrue(self::isHard($sessions['sat']));
    }

    public function test_neighbouring_days_are_never_both_hard(): void
    {
        $sessions = array_values(self::byDay(self::week(['days' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], 30)])));
        $hard = array_values(array_filter($sessions, self::isHard(...)));

        self::assertCount(3, $hard);
        foreach ($hard as $i => $session) {
            self::assertGreaterThanOrEqual(2, isset($hard[$i + 1]) ? $hard[$i + 1]->day->number() - $session->day->number() : 2);
        }
    }

    public function test_of_two_days_beside_each_other_that_cost_as_much_the_one_with_room_for_more_is_hard(): void
    {
        foreach ([['mon' => 31, 'tue' => 34], ['mon' => 34, 'tue' => 31]] as $days) {
            $sessions = self::byDay(self::week(['days' => $days]));
            $longer = (string) array_search(34, $days, true);
            $shorter = (string) array_search(31, $days, true);
            self::assertTrue(self::isHard($sessions[$longer]));
            self::assertFalse(self::isHard($sessions[$shorter]));
        }
    }

    public function test_one_day_of_seven_stays_free(): void
    {
        self::assertCount(6, self::week(['days' => array_fill_keys(self::DAYS, 20)])->weeks[0]->sessions);
    }

    public function test_no_days_is_a_week_without_sessions_and_four_named_gaps(): void
    {
        $program = self::week(['days' => (object) []]);

        self::assertSame([], $program->weeks[0]->sessions);
        self::assertCount(4, $program->gaps);
    }

    public function test_a_direction_that_nothing_allowed_can_train_is_named(): void
    {
        $program = self::week(
            [
                'days' => ['mon' => 20, 'thu' => 20],
                'limits' => [
                    ['limit' => 'wrist', 'severity' => 'severe'],
                    'floor-transfer',
                    ['limit' => 'shoulder', 'severity' => 'severe'],
                ],
            ],
        );
        $named = array_map(static fn ($gap): Category => $gap->category, $program->gaps);

        self::assertContains(Category::AntiLateralFlexion, $named);
        self::assertStringContainsString('sore shoulder', implode(' ', array_map(static fn ($gap): string => $gap->why, $program->gaps)));
    }

    public function test_high_blood_pressure_breaks_holds_into_tens(): void
    {
        $program = self::week(
            [
                'days' => ['mon' => 20, 'thu' => 20],
                'screen' => ['flags' => [], 'cleared' => true],
                'limits' => ['blood-pressure'],
                'ability' => ['AL' => 4],
            ],
        );
        $longest = 0;
        foreach ($program->weeks[0]->sessions as $session) {
            foreach ($session->entries() as $entry) {
                $longest = max($longest, $entry->dose->measure->longestHold()->ms);
            }
        }

        self::assertSame(10_000, $longest);
    }

    public function test_a_working_hold_is_at_most_two_thirds_of_the_test_best(): void
    {
        $program = self::week(['days' => ['mon' => 20, 'thu' => 20], 'tests' => ['side-plank-left_s' => 17, 'side-plank-right_s' => 24]]);
        $doses = [];
        foreach ($program->weeks[0]->sessions as $session) {
            foreach ($session->entries() as $entry) {
                if ($entry->exercise === 'side-plank-split') {
                    $doses[] = $entry->dose->measure->longestHold()->toNumber();
                }
            }
        }

        // two thirds of 17 s are 11 s: the step of 10 s
        self::assertSame([10], array_values(array_unique($doses)));
    }

    public function test_rehab_stays_at_level_four_and_rotational_sport_turns_three_times(): void
    {
        $strong = ['ability' => ['BR' => 4, 'AE' => 8, 'AF' => 8, 'AL' => 8, 'AR' => 8], 'days' => ['mon' => 30, 'wed' => 30, 'fri' => 30]];
        $levels = static fn (string $goal): array => array_map(
            static fn ($entry): int => $entry->planned->level->value ?? 0,
            self::byDay(self::week([...$strong, 'goal' => $goal]))['mon']->entries(),
        );

        self::assertLessThanOrEqual(4, max($levels('rehab')));
        self::assertGreaterThan(4, max($levels('general')));
    }
}
