<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\StyleChoice;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Every house style changes what it says it changes. Common practice, no source: what the two sides of each question do.
 */
final class StylesTest extends TestCase
{
    private static function client(): Client
    {
        return Documents::client([
            'goal' => 'general', 'equipment' => ['mat', 'band', 'wall', 'bench', 'kettlebell', 'ball'],
            'ability' => ['BR' => 4, 'AE' => 5, 'AF' => 5, 'AL' => 5, 'AR' => 5, 'HP' => 5, 'TM' => 4],
            'days' => ['mon' => 25, 'wed' => 25, 'fri' => 25],
            'tests' => [
                'front-plank_s' => 62,
                'side-plank-left_s' => 40,
                'side-plank-right_s' => 42,
                'ladders' => ['dead-bug' => ['highest_clean' => 'heel-taps']],
            ],
        ]);
    }

    /** @return list<Session> of the fifth week, when doses have grown by two steps */
    private static function week(string $style): array
    {
        return Documents::plan(self::client(), 5, $style)->weeks[4]->sessions;
    }

    /** @return list<Entry> */
    private static function entries(string $style): array
    {
        return array_merge(...array_map(static fn (Session $session): array => $session->entries(), self::week($style)));
    }

    /** @return list<string> */
    private static function exercises(string $style): array
    {
        return array_map(static fn (Entry $entry): string => $entry->exercise, self::entries($style));
    }

    /** @return list<int> seconds of every hold of five weeks that is not part of a repetition */
    private static function holds(string $style): array
    {
        $holds = [];
        $entries = array_merge(...array_map(
            static fn (Week $week): array => array_merge(
                ...array_map(static fn (Session $each): array => $each->entries(), $week->sessions),
            ),
            Documents::plan(self::client(), 5, $style)->weeks,
        ));
        foreach ($entries as $entry) {
            if (! $entry->dose->measure instanceof Reps && ! $entry->dose->measure->longestHold()->isZero()) {
                $holds[] = (int) $entry->dose->measure->longestHold()->toNumber();
            }
        }

        return $holds;
    }

    public function test_no_two_styles_plan_the_same(): void
    {
        $names = Documents::data()->styleNames();
        self::assertGreaterThanOrEqual(5, count($names));
        foreach ($names as $i => $one) {
            foreach (array_slice($names, $i + 1) as $other) {
                $plain = static fn (Program $program): string => serialize(
                    array_map(
                        static fn (Session $session): array => array_map(
                            static fn (Entry $entry): array => [$entry->exercise, $entry->dose],
                            $session->entries(),
                        ),
                        $program->weeks[4]->sessions,
                    ),
                );
                self::assertNotSame(
                    $plain(Documents::plan(self::client(), 5, $one)),
                    $plain(Documents::plan(self::client(), 5, $other)),
                    $one.' and '.$other,
                );
            }
        }
    }

    public function test_every_style_answers_every_question_and_both_sides_have_somebody(): void
    {
        $answers = [];
        foreach (Documents::data()->styleNames() as $name) {
            foreach (Documents::data()->style($name)->choices as $choice) {
                $answers[$choice->question][$choice->answer][] = $name;
                self::assertNotContains('', [$choice->reason, $choice->otherSide], $name);
            }
            self::assertCount(
                18,
                array_unique(array_map(static fn (StyleChoice $each): string => $each->question, Documents::data()->style($name)->choices)),
                $name,
            );
        }
        self::assertCount(18, $answers);
        foreach ($answers as $question => $sides) {
            self::assertGreaterThanOrEqual(2, count($sides), $question);
        }
    }

    public function test_holds_are_counted_in_tens_or_built_longer(): void
    {
        self::assertNotSame([], self::holds('ten-count'));
        self::assertLessThanOrEqual(10, max(self::holds('ten-count')));
        self::assertGreaterThan(10, max(self::holds('even-keel')));
        self::assertGreaterThan(max(self::holds('even-keel')), max(self::holds('long-haul')));
        self::assertNotSame(
            [],
            array_filter(self::entries('ten-count'), static fn (Entry $entry): bool => $entry->dose->measure instanceof Intervals),
        );
    }

    public function test_the_deep_muscles_go_first_where_the_style_says_so(): void
    {
        foreach (self::week('quiet-start') as $session) {
            self::assertStringStartsWith('back-switch-on', $session->entries()[0]->exercise);
        }
        self::assertSame([], preg_grep('/^back-switch-on/', self::exercises('even-keel')));
    }

    public function test_all_motions_brings_trunk_movement_the_struggle_and_stacked_feet(): void
    {
        $categories = array_map(static fn (Entry $entry): ?Category => $entry->planned?->category, self::entries('full-compass'));

        self::assertContains(Category::TrunkMovement, $categories);
        self::assertContains('dead-bug-opposite', self::exercises('full-compass'), 'one above the highest clean rung');
        self::assertContains('heel-taps', self::exercises('even-keel'));
        self::assertContains('side-plank-split', self::exercises('even-keel'));
        self::assertContains('side-plank-stacked', self::exercises('full-compass'));
    }

    public function test_held_work_goes_first_or_last_and_rounds_come_with_the_style(): void
    {
        $held = static fn (Session $session): array => array_keys(
            array_filter(
                $session->entries(),
                static fn (Entry $entry): bool => ! $entry->dose->measure instanceof Reps
                    && $entry->dose->measure->longestHold()->isLongerThan(\EvenRungs\Core\Time\Seconds::of(9))
                    && ! $entry->dose->measure instanceof Intervals,
            ),
        );
        $place = static fn (string $style): float => array_sum(
            array_map(
                static fn (Session $session): float => $held($session) === [] ? 0.5 : $held($session)[0] / count($session->entries()),
                self::week($style),
            ),
        );

        self::assertLessThan($place('even-keel'), $place('long-haul'));
        self::assertTrue(self::week('long-haul')[0]->blocks[1] instanceof CircuitBlock);
        self::assertFalse(self::week('even-keel')[0]->blocks[1] instanceof CircuitBlock);
    }

    public function test_little_and_often_stays_short(): void
    {
        foreach (self::week('little-often') as $session) {
            self::assertLessThanOrEqual(720_000, Documents::time($session)->time->total()->ms);
        }
    }

    /** @return array<mixed> what is done when, whatever is said about it */
    private static function plain(Program $program): array
    {
        return array_map(
            static fn ($week): array => array_map(
                static fn (Session $session): array => [
                    $session->day->value,
                    $session->kind->value,
                    array_map(static fn (Entry $entry): array => [$entry->exercise, Shorthand::write($entry->dose)], $session->entries()),
                ],
                $week->sessions,
            ),
            $program->weeks,
        );
    }

    public function test_every_answer_that_says_it_changes_the_plan_does(): void
    {
        $document = [
            'goal' => 'general', 'equipment' => ['mat', 'band', 'wall', 'bench', 'kettlebell', 'ball'],
            'ability' => ['BR' => 4, 'AE' => 5, 'AF' => 5, 'AL' => 5, 'AR' => 5, 'HP' => 3, 'SG' => 3, 'TM' => 4],
            'days' => ['mon' => 30, 'wed' => 30, 'fri' => 30], 'other_training' => [['day' => 'wed', 'type' => 'light-lift']],
            'tests' => [
                'front-plank_s' => 62,
                'side-plank-left_s' => 40,
                'side-plank-right_s' => 42,
                'ladders' => ['dead-bug' => ['highest_clean' => 'heel-taps']],
            ],
        ];
        $client = Documents::client($document);
        $inRounds = Documents::client([...$document, 'goal' => 'endurance-sport']);
        $base = Documents::data()->style('even-keel');
        $questions = Documents::data()->styleQuestions();
        $tried = 0;
        foreach ($base->choices as $choice) {
            foreach ($questions->child($choice->id)->child('sides')->keys() as $side) {
                $changes = $questions->child($choice->id)->child('sides')->child($side);
                $written = $changes->has('numbers') || array_diff(
                    array_keys($changes->opaque('plan') ?? []),
                    ['both_sides_one_rep', 'role_shares', 'monitors_pain'],
                ) !== [];
                if ($side === $choice->side || ! $written) {
                    continue;
                }
                $tried++;
                // many repetitions come in rounds, and rounds with that goal
                $who = $side === 'many-rounds' ? $inRounds : $client;
                self::assertNotEquals(
                    self::plain(Documents::plan($who, 10)),
                    self::plain(Documents::plan($who, 10, Documents::styleWith($choice->id, $side))),
                    $choice->id.': '.$side,
                );
            }
        }
        self::assertGreaterThanOrEqual(9, $tried);
    }

    public function test_left_and_right_make_one_repetition_where_the_style_counts_so(): void
    {
        $dose = Shorthand::parse('2 × 8 /s 2-0-2-0');

        self::assertTrue(Documents::data()->style('long-haul')->plan->bothSidesOneRep);
        self::assertSame('2 sets of 8 reps, left and right make one, tempo 2-0-2-0', Wording::of($dose, true));
        self::assertSame('2 sets of 8 reps on each side, tempo 2-0-2-0', Wording::of($dose));
    }

    public function test_no_two_goals_plan_the_same(): void
    {
        $plans = [];
        foreach (Goal::cases() as $goal) {
            $plans[$goal->value] = self::plain(Documents::plan(Documents::client([
                'goal' => $goal->value, 'equipment' => ['mat', 'band', 'wall', 'bench', 'kettlebell', 'ball', 'throw-ball'],
                'ability' => ['BR' => 4, 'AE' => 8, 'AF' => 8, 'AL' => 8, 'AR' => 8, 'HP' => 6, 'IN' => 8],
                'days' => ['mon' => 24, 'wed' => 24, 'fri' => 24], 'other_training' => [['day' => 'fri', 'type' => 'endurance']],
            ]), 1));
        }
        foreach ($plans as $one => $plan) {
            foreach ($plans as $other => $otherPlan) {
                self::assertTrue($one === $other || $plan !== $otherPlan, $one.' and '.$other.' plan alike');
            }
        }
    }
}
