<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Landing;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Planning\Door\Easing;
use EvenRungs\Core\Planning\Edit\SessionEdit;
use EvenRungs\Core\Planning\Order\BestOrder;
use EvenRungs\Core\Planning\Order\OrderItem;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Refit;
use EvenRungs\Core\Program\Shift;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\SetOrder;
use EvenRungs\Core\Time\Seconds;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Placement, steps, orders and edits at borders that whole plans seldom reach.
 */
final class PlanningBordersTest extends TestCase
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

    public function test_what_an_order_costs_is_said_a_line_a_kind(): void
    {
        $items = static fn (string ...$of): array => array_map(static function (string $each): OrderItem {
            [$rung, $dose] = explode(' ', $each, 2);

            return new OrderItem(self::rung($rung), Shorthand::parse($dose));
        }, $of);
        $style = Documents::data()->style('even-keel');
        $why = static fn (string ...$of): array => (
            new BestOrder($items(...$of), SetOrder::SkillFirst, $style->orderWeights)
        )->why(range(0, count($of) - 1));
        self::assertSame([], $why('forearm-plank 1 × 30 s'));
        self::assertContains('1 × one direction twice running', $why('forearm-plank 1 × 30 s', 'hands-plank 1 × 30 s'));
        self::assertContains('1 × shoulders loaded twice running', $why('hands-plank 1 × 30 s', 'side-plank-stacked 1 × 30 s /s'));
        self::assertContains(
            '2 × one direction twice running',
            $why('forearm-plank 1 × 30 s', 'hands-plank 1 × 30 s', 'knee-plank 1 × 20 s'),
        );
        self::assertNotContains('1 × one direction twice running', $why('forearm-plank 1 × 30 s', 'side-plank-split 1 × 20 s /s'));
        $balance = array_values(array_filter(
            Documents::data()->library()->rungs(),
            static fn (Rung $rung): bool => (new OrderItem($rung, $rung->start()))->asksBalance(),
        ));
        self::assertNotSame([], $balance);
        self::assertContains(
            '1 × balance straight after a hard hold',
            (new BestOrder(
                [
                    new OrderItem(self::rung('forearm-plank'), Shorthand::parse('1 × 60 s')),
                    new OrderItem($balance[0], $balance[0]->start()),
                ],
                SetOrder::SkillFirst,
                $style->orderWeights,
            ))->why([0, 1]),
        );
    }

    public function test_an_exercise_more_takes_the_time_of_its_circuit_or_its_own_start(): void
    {
        $edit = new SessionEdit(Documents::data()->library());
        $timed = Documents::session(
            [['type' => 'circuit', 'rounds' => 3, 'entries' => [['exercise' => 'Front plank', 'work_s' => 40, 'rest_s' => 20]]]],
        );
        $own = Documents::session([['type' => 'circuit', 'rounds' => 3, 'entries' => [['exercise' => 'Front plank', 'hold_s' => 20]]]]);
        $straight = Documents::straight([['exercise' => 'Front plank', 'sets' => 2, 'hold_s' => 20]]);
        $added = static fn ($session, string $what, int $block = 0): string => Shorthand::write(
            $edit->added($session, $block, $what, Documents::steps())->blocks[$block]->entries()[$block === 0 ? 1 : 0]->dose,
        );
        self::assertSame('1 × 40 s work /s r0:20', $added($timed, 'Side plank'));
        self::assertSame('1 × 40 s work r0:20', $added($timed, 'Bridge'));
        self::assertStringStartsWith('1 × ', $added($own, 'Side plank'), 'a circuit counts rounds');
        self::assertSame(Shorthand::write(Documents::steps()->dose(self::rung('bridge'), 0)), $added($straight, 'Bridge'));
        self::assertSame(
            Shorthand::write(Documents::steps()->dose(self::rung('bridge'), 0)),
            $added($straight, 'Bridge', 1),
            'in a block of its own',
        );
        foreach ([
            static fn () => $edit->added($straight, 0, 'Nobody', Documents::steps()),
            static fn () => $edit->added($straight, 7, 'Bridge', Documents::steps()),
        ] as $do) {
            try {
                $do();
                self::fail('there is no such thing');
            } catch (InvalidValue $e) {
                self::assertMatchesRegularExpression('/not in the library|no such block/', $e->sentence);
            }
        }
        self::assertSame('3 rounds', \EvenRungs\Core\Dose\Rounds::write(3, []));
        $rounds = $edit->withRounds($straight, 0, '2 rounds 30:15');
        self::assertSame('1 × 30 s work r0:15', Shorthand::write($rounds->blocks[0]->entries()[0]->dose));
        self::assertNull($edit->order($straight->blocks[0], Documents::data()->style('even-keel')), 'one exercise has one order');
    }

    public function test_less_is_the_start_of_the_rung_then_the_nearest_allowed_below(): void
    {
        $easing = new Easing(Documents::data()->library(), Documents::steps());
        $ladder = Documents::data()->library()->ladder('plank');
        $rung = self::rung('forearm-plank');
        $below = $ladder->rungs[(int) $ladder->indexOf($rung->id) - 1];
        $steps = Documents::steps();
        $client = self::client(['ability' => ['AE' => 9]]);
        self::assertSame($rung, $easing->of($rung, $steps->of($rung)[$steps->last($rung)]->measure, $client));
        self::assertSame($below, $easing->of($rung, $steps->of($rung)[0]->measure, $client));
        self::assertNotSame(
            $below,
            $easing->of($rung, $steps->of($rung)[0]->measure, $client, [$below->id => true]),
            'not twice in a session',
        );
        self::assertNull($easing->of($ladder->rungs[0], $steps->of($ladder->rungs[0])[0]->measure, $client));
        self::assertNull($easing->of($rung, Shorthand::parse('1 × 8')->measure, $client), 'seconds and repetitions are not compared');
    }

    public function test_a_program_waits_one_to_fifty_two_weeks(): void
    {
        $day = new DateTimeImmutable('2027-01-04');
        self::assertSame([1, 52], [(new Shift($day, 1))->weeks, (new Shift($day, 52))->weeks]);
        foreach ([0, 53] as $weeks) {
            try {
                new Shift($day, $weeks);
                self::fail($weeks.' weeks were taken');
            } catch (InvalidValue $e) {
                self::assertStringContainsString(
                    'from 1 weeks to 52 weeks',
                    str_replace('from 1 to 52', 'from 1 weeks to 52', $e->sentence),
                );
            }
        }
        self::assertSame(1, Shift::away($day, $day)->weeks);
        self::assertSame(1, Shift::away($day, $day->modify('+6 days'))->weeks);
        self::assertSame(2, Shift::away($day, $day->modify('+7 days'))->weeks);
        $this->expectException(InvalidValue::class);
        Shift::away($day, $day->modify('-1 day'));
    }

    public function test_rests_give_before_sets_and_the_last_exercise_never_goes(): void
    {
        $library = Documents::data()->library();
        $session = Documents::straight([
            ['exercise' => 'Front plank', 'sets' => 2, 'hold_s' => 30, 'rest_s' => 40],
            ['exercise' => 'Bridge', 'sets' => 2, 'reps' => 10, 'rest_s' => 40],
        ]);
        $whole = Documents::time($session)->time->total()->toNumber();
        $refit = new Refit($library, new \EvenRungs\Core\Program\Fit($library));
        [$same, $nothing] = $refit->into($session, Seconds::of($whole), true) ?? self::fail('it fits');
        self::assertSame([[], 4], [$nothing, array_sum(array_map(static fn ($entry): int => $entry->dose->sets, $same->entries()))]);
        [$trimmed, $rests] = $refit->into($session, Seconds::of($whole - 20), true) ?? self::fail('rests give');
        self::assertSame(4, array_sum(array_map(static fn ($entry): int => $entry->dose->sets, $trimmed->entries())));
        self::assertNotSame([], $rests);
        [$cut] = $refit->into($session, Seconds::of($whole - 20), false) ?? self::fail('a set gives');
        self::assertSame(3, array_sum(array_map(static fn ($entry): int => $entry->dose->sets, $cut->entries())));
        self::assertNull($refit->into($session, Seconds::of(5), true));
        self::assertSame($session, ExtraSet::withoutOrphans($session), 'nothing to take out changes nothing');
    }

    public function test_a_goal_leaves_out_what_it_avoids_from_grade_two_and_what_is_over_its_level(): void
    {
        $rule = static fn (array $avoid, ?int $cap): GoalRule => new GoalRule(
            Goal::General,
            'Made up',
            'control',
            2,
            3,
            [],
            [],
            $cap,
            [],
            $avoid,
            false,
            false,
            false,
        );
        $seen = [];
        foreach (Documents::data()->library()->rungs() as $rung) {
            $grade = $rung->grade('shoulder-load');
            $seen[$grade] = true;
            self::assertSame($grade < 2, $rule(['shoulder-load'], null)->allows($rung), $rung->id);
            self::assertSame($rung->level->value <= 4, $rule([], 4)->allows($rung), $rung->id);
        }
        self::assertSame([0, 1, 2, 3], array_values(array_intersect([0, 1, 2, 3], array_keys($seen))));
        $goals = Documents::data()->goals();
        $child = Documents::client(['goal' => 'strength', 'born' => 2015, 'as_of' => '2027-01-04']);
        self::assertSame([...$goals['strength']->without, ...$goals['youth']->without], GoalRule::for($child, $goals)->without);
        self::assertSame(
            $goals['strength'],
            GoalRule::for(Documents::client(['goal' => 'strength', 'born' => 1990, 'as_of' => '2027-01-04']), $goals),
        );
        self::assertSame(
            $goals['youth'],
            GoalRule::for(Documents::client(['goal' => 'youth', 'born' => 2015, 'as_of' => '2027-01-04']), $goals),
        );
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

    public function test_what_a_style_tells_whoever_trains(): void
    {
        foreach (Documents::data()->styleNames() as $name) {
            $style = Documents::data()->style($name);
            $told = array_filter($style->choices, static fn ($choice): bool => $choice->coached);
            self::assertCount(count($told), $style->coaching());
            foreach ($style->coaching() as $line) {
                self::assertMatchesRegularExpression('/^.+: .+\.$/', $line);
            }
        }
        self::assertNotSame([], Documents::data()->style('even-keel')->coaching());
    }
}
