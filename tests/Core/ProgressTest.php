<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Review\Evenness\SideIndex;
use EvenRungs\Core\Review\Progress\LevelsOverTime;
use EvenRungs\Core\Review\Progress\PlannedDays;
use EvenRungs\Core\Review\Progress\RungSession;
use EvenRungs\Core\Review\Progress\Stand;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What became of a client over months, counted by hand. Dates from the calendar of 2027: 6 January is a Wednesday.
 */
final class ProgressTest extends TestCase
{
    use TestTrait;

    private static function stand(string $on, string $rung, bool $assumed = false, int $step = 0): Stand
    {
        $library = Documents::data()->library();

        return new Stand(
            new DateTimeImmutable($on),
            $library->ladderOf($library->rung($rung)),
            $library->rung($rung),
            $step,
            $assumed,
        );
    }

    public function test_a_direction_is_as_high_as_its_highest_ladder_and_only_what_changes_is_told(): void
    {
        // heel taps stand on level 4, the forearm plank on its own ladder beside it; the bridge is no direction (library tables)
        $plank = Documents::data()->library()->rung('forearm-plank')->level->value;
        $over = LevelsOverTime::of([
            self::stand('2027-01-04', 'forearm-plank', true),
            self::stand('2027-02-01', 'heel-taps'),
            self::stand('2027-02-10', 'bridge'),
            self::stand('2027-02-10', 'heel-taps', step: 1),
        ]);
        self::assertSame(['2027-01-04', '2027-02-01'], array_keys($over->days));
        self::assertSame(['level' => $plank, 'assumed' => true], $over->days['2027-01-04']['AE']);
        // a level that nobody has seen counts no more once another ladder was seen
        self::assertSame(['level' => 4, 'assumed' => false], $over->days['2027-02-01']['AE']);
        self::assertSame(['level' => null, 'assumed' => false], $over->days['2027-02-01']['AR']);
        self::assertNull($over->inWords(Category::AntiRotation));
    }

    public function test_what_became_of_a_level_is_said(): void
    {
        $said = static fn (Stand ...$stands): ?string => LevelsOverTime::of(array_values($stands))->inWords(Category::AntiExtension);
        self::assertSame('stays at 4', $said(self::stand('2027-01-04', 'heel-taps')));
        self::assertSame('stays at 4, assumed and not seen yet', $said(self::stand('2027-01-04', 'heel-taps', true)));
        $below = Documents::data()->library()->ladder('dead-bug')->downFrom(Documents::data()->library()->rung('heel-taps'));
        $lowest = $below[count($below) - 1];
        self::assertSame(
            sprintf('from %d to 4', $lowest->level->value),
            $said(self::stand('2027-01-04', $lowest->id, true), self::stand('2027-03-04', 'heel-taps')),
        );
    }

    public function test_what_was_before_the_months_that_are_asked_for_is_where_they_begin(): void
    {
        $since = Stand::since(
            [
                self::stand('2026-06-01', 'heel-taps'),
                self::stand('2026-08-01', 'heel-taps', step: 1),
                self::stand('2027-02-01', 'heel-taps', step: 2),
            ],
            new DateTimeImmutable('2027-01-01'),
        );
        self::assertSame(
            [['2027-01-01', 1], ['2027-02-01', 2]],
            array_map(static fn (Stand $each): array => [$each->on->format('Y-m-d'), $each->step], $since),
        );
    }

    /** @param  list<LoggedSet>  $sets */
    private static function session(array $sets): LoggedSession
    {
        return new LoggedSession(new DateTimeImmutable('2027-01-06'), null, 0, null, $sets);
    }

    private static function set(?string $side, int $target, int $done, bool $timed = false, bool $left = false): LoggedSet
    {
        return new LoggedSet($side, $target, $done, [], [], null, 0, null, 5, true, timed: $timed, left: $left);
    }

    public function test_the_sets_of_a_session_are_counted_together_and_the_extra_one_of_a_side_is_not_compared(): void
    {
        $rung = Documents::data()->library()->rung('heel-taps');
        $found = RungSession::of($rung, self::session([
            self::set('left', 8, 6), self::set('right', 8, 8), self::set('left', 8, 7), self::set('right', 8, 8), self::set('left', 8, 8),
        ]));
        self::assertNotNull($found);
        // two sets of both sides and one more on the left, which is a set of its own: 6 + 7 against 8 + 8
        self::assertSame([3, 40, 37, [13, 16], false], [$found->sets, $found->asked, $found->done, $found->sides, $found->clean]);
        self::assertSame(100 * 13 / 16, $found->percent());
    }

    public function test_a_set_that_was_left_is_not_asked_and_a_time_of_work_of_repetitions_has_no_number(): void
    {
        $library = Documents::data()->library();
        $taps = $library->rung('heel-taps');
        self::assertSame(8, RungSession::of($taps, self::session([self::set('left', 8, 8), self::set('right', 8, 0, left: true)]))?->asked);
        self::assertNull(RungSession::of($taps, self::session([self::set('left', 8, 0)])));
        self::assertNull(RungSession::of($taps, self::session([self::set('left', 1, 1, timed: true)])));
        $plank = RungSession::of($library->rung('forearm-plank'), self::session([self::set('both', 30_000, 25_000, timed: true)]));
        self::assertSame([30_000, 25_000, false], [$plank?->asked, $plank?->done, $plank?->clean]);
    }

    /** The picture and the rule read one session the same way, whatever was done in it. */
    public function test_the_sides_of_a_session_are_those_that_the_rule_reads(): void
    {
        $rung = Documents::data()->library()->rung('heel-taps');
        $done = Generators::seq(Generators::choose(0, 12));
        $this->forAll($done, $done)->then(function (array $left, array $right) use ($rung): void {
            $session = RungSession::of($rung, self::session([
                ...array_map(static fn (int $each): LoggedSet => self::set('left', 12, $each), $left),
                ...array_map(static fn (int $each): LoggedSet => self::set('right', 12, $each), $right),
            ]));
            $rule = SideIndex::ofSessions([['left' => array_values($left), 'right' => array_values($right)]]);
            self::assertSame($rule->percent, $session?->percent());
        });
    }

    private static function program(string $began, string $number): Program
    {
        static $plan = null;
        $plan ??= Documents::plan(Documents::client(['days' => ['mon' => 45, 'wed' => 45, 'fri' => 45]]), 2);

        return ProgramDates::begin($plan, new DateTimeImmutable($began), $number);
    }

    public function test_what_was_planned_is_of_the_program_in_use_from_its_first_day_and_before_of_the_one_before(): void
    {
        $library = Documents::data()->library();
        $count = static fn (PlannedDays $days, string $from, string $to): ?int => $days->between(
            new DateTimeImmutable($from),
            new DateTimeImmutable($to),
        )['sessions'] ?? null;
        $days = PlannedDays::of(self::program('2027-01-13', 'p2'), [self::program('2027-01-06', 'p1')], $library);
        self::assertNull($count($days, '2026-12-28', '2027-01-05'));
        // the week of the first, then the two of the second; the second week of the first was planned over
        self::assertSame([3, 3, 3, 0], [
            $count($days, '2027-01-06', '2027-01-12'),
            $count($days, '2027-01-13', '2027-01-19'),
            $count($days, '2027-01-20', '2027-01-26'),
            $count($days, '2027-01-27', '2027-02-02'),
        ]);
        self::assertSame(1, $count($days, '2027-01-06', '2027-01-06'));
        $alone = PlannedDays::of(null, [], $library);
        self::assertNull($count($alone, '2027-01-06', '2027-01-12'));
        $work = $days->between(new DateTimeImmutable('2027-01-06'), new DateTimeImmutable('2027-01-12'))['work'] ?? null;
        $time = 0;
        foreach (self::program('2027-01-06', 'p1')->weeks[0]->sessions as $session) {
            $time += Documents::time($session)->time->workMs;
        }
        self::assertSame($time, $work?->ms);
    }
}
