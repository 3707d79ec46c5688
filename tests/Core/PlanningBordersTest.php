<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
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
