<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Planning\Edit\ProgramEdit;
use EvenRungs\Core\Planning\Edit\StandingEdit;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What changes a program that is there: sets, rests and what somebody typed stay, the claimed minutes are those it takes. House rules.
 */
final class ProgramEditTest extends TestCase
{
    private static function rung(string $id): Rung
    {
        return Documents::data()->library()->rung($id);
    }

    private static function standing(): StandingEdit
    {
        return new StandingEdit(Documents::data()->library(), Documents::steps());
    }

    private static function edit(): ProgramEdit
    {
        return new ProgramEdit(Documents::data()->library(), Documents::steps());
    }

    private static function progression(Client $client): Progression
    {
        $data = Documents::data();

        return new Progression(
            $data->library(),
            $data->style('even-keel'),
            Documents::steps($client),
            GoalRule::for($client, $data->goals()),
        );
    }

    /** An entry as the planner writes it. */
    private static function planned(string $rung, int $step, int $sets = 3): Entry
    {
        $dose = Documents::steps()->dose(self::rung($rung), $step, null)->withSets($sets);

        return new Entry(
            $rung,
            $dose,
            'quietly',
            new Planned(self::rung($rung)->category, self::rung($rung)->level, self::rung($rung)->ladder, []),
        );
    }

    /** @param  list<list<Entry>>  $weeks  one session a week, one block an entry */
    private static function program(array $weeks): Program
    {
        $session = Documents::straight([['exercise' => 'Bridge', 'reps' => 8]]);

        return new Program(array_map(
            static fn (array $entries, int $i): Week => new Week(
                $i + 1,
                [],
                [$session->withBlocks([$session->blocks[0]->withEntries($entries)])],
            ),
            $weeks,
            array_keys($weeks),
        ));
    }

    /** @return list<list<string>> rung and dose of every entry, by week */
    private static function said(Program $program): array
    {
        return array_map(
            static fn (Week $week): array => array_map(
                static fn (Entry $entry): string => $entry->exercise.' '.Shorthand::write($entry->dose->withRest(null)),
                array_merge(...array_map(static fn (Session $session): array => $session->entries(), $week->sessions)),
            ),
            $program->weeks,
        );
    }

    private static function assertClaims(Program $program): void
    {
        foreach ($program->weeks as $week) {
            foreach ($week->sessions as $session) {
                self::assertEquals(Documents::time($session)->time->total(), $session->claimed, 'the claimed minutes are those it takes');
            }
        }
    }

    public function test_who_stands_on_another_rung_trains_it_now_and_what_follows_from_there_later(): void
    {
        $client = Documents::client(['ability' => ['AE' => 5], 'equipment' => ['mat'], 'days' => ['mon' => 30]]);
        $program = self::program(array_fill(0, 6, [self::planned('heel-taps', 0), self::planned('forearm-plank', 0, 2)]));
        $stood = self::standing()->standOn($program, self::rung('knees-up-both-arms'), 0, null, $client, self::progression($client), 2);
        $said = self::said($stood);
        $start = 'knees-up-both-arms '.Shorthand::write(
            Documents::steps()->dose(self::rung('knees-up-both-arms'), 0, null)->withSets(3)->withRest(null),
        );
        self::assertSame([$start, $start], [$said[0][0], $said[1][0]], 'up to the present week where one stands');
        self::assertNotSame($start, $said[5][0], 'by the sixth something was earned');
        self::assertSame(self::said($program)[5][1], $said[5][1], 'another ladder stays');
        $entry = $stood->weeks[1]->sessions[0]->entries()[0];
        self::assertSame(
            [3, 'quietly', 'Moved from Dead bug, heel taps.'],
            [$entry->dose->sets, $entry->note, $entry->planned->why[0] ?? null],
        );
        self::assertClaims($stood);
    }

    public function test_what_was_expected_and_did_not_come_is_taken_back_but_nothing_that_somebody_chose(): void
    {
        $client = Documents::client(['equipment' => ['mat'], 'days' => ['mon' => 30]])->standing(
            ['dead-bug' => new Standing(self::rung('heel-taps'), 0)],
        );
        $ahead = self::planned('dead-bug-opposite', 0);
        $typed = self::planned('heel-taps', 1)->because('Dose typed by the trainer, in place of 8.');
        $caught = static fn (Entry $now, int $present = 2): array => self::said(
            self::standing()->caughtUp(self::program([[$now], [$now], [$now]]), $client, self::progression($client), $present),
        );
        $start = 'heel-taps '.Shorthand::write(Documents::steps()->dose(self::rung('heel-taps'), 0, null)->withSets(3)->withRest(null));
        $before = self::said(self::program([[$ahead]]))[0];
        self::assertSame([$before, [$start]], array_slice($caught($ahead), 0, 2), 'a week that is over stays as it was');
        self::assertSame([[$start]], array_slice($caught(self::planned('heel-taps', 1)), 1, 1), 'a later step of the same rung too');
        $exact = self::planned('heel-taps', 0);
        self::assertSame(
            self::said(self::program([[$exact], [$exact], [$exact]])),
            $caught($exact),
            'where one stands there is nothing to take back',
        );
        $below = self::planned('knees-up-hold', 0);
        self::assertSame(
            self::said(self::program([[$below], [$below], [$below]])),
            $caught($below),
            'what asks for less is no expectation',
        );
        self::assertSame(self::said(self::program([[$typed], [$typed], [$typed]])), $caught($typed), 'what the trainer typed stays');
    }

    public function test_a_stopped_ladder_leaves_the_weeks_and_its_swap_stands_in_once(): void
    {
        $program = self::program([[self::planned('heel-taps', 0), self::planned('forearm-plank', 0, 2)], [self::planned('heel-taps', 0)]]);
        $instead = self::edit()->instead($program, 'dead-bug', self::rung('forearm-plank'));
        self::assertSame(
            [['forearm-plank'], ['forearm-plank']],
            array_map(
                static fn (array $week): array => array_map(static fn (string $each): string => explode(' ', $each)[0], $week),
                self::said($instead),
            ),
        );
        self::assertSame(
            'In place of Dead bug, heel taps, which is stopped.',
            $instead->weeks[1]->sessions[0]->entries()[0]->planned->why[0] ?? null,
        );
        self::assertClaims($instead);

        $gone = self::edit()->instead($program, 'dead-bug', null);
        self::assertSame(
            [1, 0],
            array_map(static fn (Week $week): int => count($week->sessions), $gone->weeks),
            'a session of nothing else goes',
        );
        self::assertSame(
            [['AE', 2, 'What trained it is stopped.']],
            array_map(static fn (Gap $gap): array => [$gap->category->value, $gap->week, $gap->why], $gone->gaps),
            'the lost direction is named, in the week that lost it',
        );
    }

    public function test_a_dose_and_a_swap_change_one_entry_and_say_so(): void
    {
        $program = self::program([[self::planned('heel-taps', 0), self::planned('hands-plank', 0)]]);
        $typed = self::edit()->changeDose($program, 0, 0, 0, 1, Shorthand::parse('2 × 25 s'));
        self::assertSame('hands-plank 2 × 25 s', self::said($typed)[0][1]);
        self::assertStringStartsWith(
            'Dose typed by the trainer, in place of',
            $typed->weeks[0]->sessions[0]->entries()[1]->planned->why[0] ?? '',
        );
        self::assertSame(self::said($program)[0][0], self::said($typed)[0][0]);
        self::assertClaims($typed);
        $swapped = self::edit()->swap($program, 0, 0, 0, 0, self::rung('forearm-plank'));
        self::assertSame(['forearm-plank', 3, 'Swapped for Dead bug, heel taps.'], [
            $swapped->weeks[0]->sessions[0]->entries()[0]->exercise,
            $swapped->weeks[0]->sessions[0]->entries()[0]->dose->sets,
            $swapped->weeks[0]->sessions[0]->entries()[0]->planned->why[0] ?? null,
        ]);
        $this->expectException(InvalidValue::class);
        self::edit()->swap($program, 0, 0, 0, 2, self::rung('forearm-plank'));
    }

    public function test_one_exercise_is_replaced_wherever_it_stands_by_whatever_name(): void
    {
        $named = new Entry('Heel taps', Documents::steps()->dose(self::rung('heel-taps'), 0, null)->withSets(2));
        $program = self::program([[$named, self::planned('forearm-plank', 0)], [self::planned('heel-taps', 1)]]);
        $replaced = self::edit()->replace($program, 'heel-taps', self::rung('one-arm'), 0);
        self::assertSame(
            [['one-arm', 'forearm-plank'], ['one-arm']],
            array_map(
                static fn (array $week): array => array_map(static fn (string $each): string => explode(' ', $each)[0], $week),
                self::said($replaced),
            ),
        );
        self::assertSame(
            [true, false],
            [
                self::standing()->trains($replaced->weeks[0]->sessions[0], 'plank'),
                self::standing()->trains($replaced->weeks[1]->sessions[0], 'plank'),
            ],
        );
        $seconds = Documents::time(
            $replaced->weeks[0]->sessions[0],
        )->time->total()->ms + Documents::time($replaced->weeks[1]->sessions[0])->time->total()->ms;
        self::assertSame($seconds, self::standing()->total([$replaced->weeks[0]->sessions[0], $replaced->weeks[1]->sessions[0]])->ms);
    }
}
