<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Floor\FloorSet;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Planning\Edit\ProgramEdit;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Fit;
use EvenRungs\Core\Program\MinutesLeft;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Judge;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What evens a client out as part of the plan: a set more for one side, and a rung that waits. House rules.
 */
final class ExtraSetTest extends TestCase
{
    private static function week(Session ...$sessions): Program
    {
        return new Program(
            [
                new \EvenRungs\Core\Program\Week(1, [], array_values($sessions)),
                new \EvenRungs\Core\Program\Week(2, [], array_values($sessions)),
            ],
        );
    }

    private static function bird(): Session
    {
        return Documents::straight([
            ['exercise' => 'bird-dog-opposite', 'sets' => 2, 'reps' => 5, 'tempo' => '2-0-2-0', 'side' => 'each', 'rest_s' => 30],
            ['exercise' => 'forearm-plank', 'sets' => 2, 'hold_s' => 20, 'rest_s' => 30],
        ]);
    }

    /** @return list<string> side of every set of the bird dog, as the floor asks for it */
    private static function sides(Session $session): array
    {
        $library = Documents::data()->library();
        $rows = RunSheet::of($session, Documents::time($session)->timeline, $library);
        $bird = array_filter(
            $rows,
            static fn (FloorSet $row): bool => $session->blocks[$row->block]->entries()[$row->entry]->exercise === 'bird-dog-opposite',
        );

        return array_values(array_map(static fn (FloorSet $row): string => $row->side, $bird));
    }

    public function test_the_weaker_side_gets_one_set_more_timed_and_run_as_its_own(): void
    {
        $library = Documents::data()->library();
        $before = self::bird();
        $after = ExtraSet::into(self::week($before), ['bird-dog' => 'left'], $library, 1)->weeks[0]->sessions[0];

        self::assertSame(['left', 'right', 'left', 'right', 'left'], self::sides($after));
        // five repetitions of 4 s on one side, and the rest before it that was none between the exercises: 2 × 5 × 4 s are a whole set
        $more = Documents::time($after)->time->workMs - Documents::time($before)->time->workMs;
        self::assertSame(20_000, $more);
        self::assertTrue($after->claimed?->equals(Documents::time($after)->time->total()), 'what it claims is what it takes');
        self::assertSame('left', ExtraSet::side($after->blocks[1]->entries()[0]));
    }

    public function test_asked_for_twice_it_is_there_once_and_taken_away_the_plan_is_as_before(): void
    {
        $library = Documents::data()->library();
        $plan = Documents::plan(
            Documents::client(['days' => ['mon' => 40, 'wed' => 40, 'fri' => 30], 'equipment' => ['mat', 'band', 'kettlebell']]),
            3,
        );
        $ladders = [];
        foreach ($plan->weeks[0]->sessions as $session) {
            foreach ($session->entries() as $entry) {
                $ladders[$library->find($entry->exercise)->ladder ?? ''] = 'right';
            }
        }
        $once = ExtraSet::into($plan, $ladders, $library, 2);
        self::assertEquals($plan->weeks[0], $once->weeks[0], 'a week that is over stays as it was');
        self::assertNotEquals($plan->weeks[1], $once->weeks[1]);
        self::assertEquals($once, ExtraSet::into($once, $ladders, $library, 2));
        self::assertEquals(
            array_map(static fn ($week) => array_map(static fn (Session $s) => $s->blocks, $week->sessions), $plan->weeks),
            array_map(
                static fn ($week) => array_map(static fn (Session $s) => $s->blocks, $week->sessions),
                ExtraSet::into($once, [], $library, 1)->weeks,
            ),
        );
    }

    public function test_who_needs_it_gets_it_in_every_plan_within_the_minutes(): void
    {
        $library = Documents::data()->library();
        $client = Documents::client(
            [
                'equipment' => ['mat'],
                'days' => ['mon' => 12, 'thu' => 12],
                'ability' => ['AF' => 4],
                'x' => ['extra_sets' => ['bird-dog' => 'right'], 'held' => ['AF', 'nobody']],
            ],
        );
        self::assertSame([Category::AntiFlexion], $client->held);
        $sessions = array_merge(...array_map(static fn ($week) => $week->sessions, Documents::plan($client, 3)->weeks));
        $extra = array_filter(
            array_merge(...array_map(static fn (Session $session): array => $session->entries(), $sessions)),
            static fn (Entry $entry): bool => ExtraSet::side($entry) === 'right',
        );
        self::assertNotSame([], $extra);
        foreach ($sessions as $session) {
            self::assertLessThanOrEqual(12 * 60_000, Documents::time($session)->time->total()->ms);
        }
        self::assertSame(['held' => ['AF'], 'extra_sets' => ['bird-dog' => 'right']], Documents::data()->clients()->write($client)['x']);
    }

    public function test_short_of_time_the_extra_set_goes_before_the_second_set_of_anything_and_never_stays_alone(): void
    {
        $library = Documents::data()->library();
        $session = ExtraSet::into(self::week(self::bird()), ['bird-dog' => 'left'], $library, 1)->weeks[0]->sessions[0];
        $sides = static fn (Session $of): array => array_map(ExtraSet::side(...), $of->entries());
        self::assertSame([null, null, 'left'], $sides($session));
        $whole = Documents::time($session)->time->total()->ms;
        foreach ([
            (new Fit($library))->into($session, Seconds::ofMs($whole - 1_000)),
            (new MinutesLeft($session, $library))->into(Seconds::ofMs($whole - 1_000)),
        ] as $cut) {
            self::assertSame(
                [[null, null], [2, 2]],
                [$sides($cut ?? $session), array_map(static fn (Entry $entry): int => $entry->dose->sets, $cut?->entries() ?? [])],
            );
        }
        for ($ms = $whole; $ms > 20_000; $ms -= 7_000) {
            foreach ([
                (new Fit($library))->into($session, Seconds::ofMs($ms)),
                (new MinutesLeft($session, $library))->into(Seconds::ofMs($ms)),
            ] as $cut) {
                $left = array_map(static fn (Entry $entry): string => $entry->exercise.' '.ExtraSet::side($entry), $cut?->entries() ?? []);
                self::assertTrue(
                    ! in_array('bird-dog-opposite left', $left, true) || in_array('bird-dog-opposite ', $left, true),
                    'an extra set of nothing',
                );
            }
        }
    }

    public function test_moved_to_another_rung_it_stays_a_set_of_one_side(): void
    {
        $data = Documents::data();
        $entry = ExtraSet::into(
            self::week(self::bird()),
            ['bird-dog' => 'left'],
            $data->library(),
            1,
        )->weeks[0]->sessions[0]->blocks[1]->entries()[0];
        $moved = (new ProgramEdit($data->library(), Documents::steps()))->onRung(
            $entry,
            $data->library()->rung('bird-dog-held'),
            0,
            null,
            [],
        );
        self::assertFalse($moved->dose->isPerSide(), 'one side, and not both of them');
        self::assertSame(['left', 1], [ExtraSet::side($moved), $moved->dose->sets]);
    }

    public function test_what_is_done_with_both_sides_at_once_or_by_the_clock_gets_none(): void
    {
        $library = Documents::data()->library();
        $program = self::week(
            Documents::straight([['exercise' => 'forearm-plank', 'sets' => 2, 'hold_s' => 20]]),
            Documents::session(
                [
                    [
                        'type' => 'circuit',
                        'rounds' => 2,
                        'entries' => [['exercise' => 'bird-dog-opposite', 'work_s' => 40, 'side' => 'alternate']],
                    ],
                ],
            ),
        );
        self::assertEquals($program, ExtraSet::into($program, ['plank' => 'left', 'bird-dog' => 'left'], $library, 1));
    }

    /** @return array{Client, array<string, mixed>} who has earned the next rung of the bird dog, and the history that earned it */
    private static function earned(): array
    {
        $rung = Documents::data()->library()->rung('bird-dog-opposite');
        $client = Documents::client(['equipment' => ['mat'], 'days' => ['mon' => 30]])->standing(['bird-dog' => new Standing($rung)]);
        $steps = new Steps(Documents::data()->style('even-keel'), $client);
        $top = $steps->dose($rung, $steps->last($rung), null)->measure->amount();
        $set = static fn (string $side): array => [
            'side' => $side,
            'target_reps' => $top,
            'reps' => $top,
            'faults' => [],
            'pain' => 0,
            'effort' => 4,
            'breathing' => true,
            'target_hold_s' => 2,
            'hold_s' => 2,
        ];

        return [
            $client,
            [
                'ladder' => 'bird-dog',
                'rung' => $rung->id,
                'step' => $steps->last($rung),
                'as_of' => '2026-11-20',
                'sessions' => array_map(
                    static fn (string $on): array => ['date' => $on, 'sets' => [$set('left'), $set('right')]],
                    ['2026-11-10', '2026-11-17'],
                ),
            ],
        ];
    }

    public function test_a_held_rung_is_not_left_by_plan_or_verdict_while_its_dose_grows(): void
    {
        $data = Documents::data();
        $library = $data->library();
        $style = $data->style('even-keel');
        [$client] = self::earned();
        $rung = $library->rung('bird-dog-opposite');
        $held = $client->evened([Category::AntiFlexion]);
        $expected = static fn (Client $who, int $week) => (
            new Progression($library, $style, new Steps($style, $who), GoalRule::for($who, $data->goals()))
        )->expected($rung, 0, null, $week, $who);

        self::assertNotSame($rung, $expected($client, 16)->rung, 'nobody holds it');
        self::assertSame($rung, $expected($held, 16)->rung);
        self::assertGreaterThan(0, $expected($held, 16)->step, 'the dose moves');
        self::assertNotSame($rung, $expected($client->evened([Category::AntiExtension]), 16)->rung, 'another direction is held');
    }

    public function test_an_earned_rung_waits_where_it_is_held_and_one_on_another_direction_does_not(): void
    {
        $data = Documents::data();
        [$client, $history] = self::earned();
        $judge = static fn (Client $who): Judge => new Judge(
            $data->library(),
            $data->style('even-keel'),
            $who,
            GoalRule::for($who, $data->goals()),
        );
        $decide = static fn (Client $who) => $judge($who)->decide(Documents::history($history, client: $who));

        self::assertSame(Decision::Progress, $decide($client)->decision);
        $waits = $decide($client->evened([Category::AntiFlexion]));
        self::assertSame([Decision::Stay, 'earned'], [$waits->decision, $waits->rule]);
        self::assertStringContainsString('held for evenness', $waits->reasons[0]);
        self::assertSame(Decision::Progress, $decide($client->evened([Category::AntiExtension]))->decision);
    }
}
