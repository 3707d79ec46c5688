<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Log\HardWork;
use EvenRungs\Core\Planning\Week\MissedSession;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Shift;
use EvenRungs\Core\Time\Weekday;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Dates by hand from the calendar of 2027: 6 January is a Wednesday, 3 May a Monday.
 */
final class DatesTest extends TestCase
{
    use TestTrait;

    private static function date(string $day): DateTimeImmutable
    {
        return new DateTimeImmutable($day);
    }

    private static function program(int $weeks = 2, array $days = ['mon', 'wed', 'fri'], string $began = '2027-01-06'): Program
    {
        static $plans = [];
        $plan = $plans[$weeks.implode($days)] ??= Documents::plan(Documents::client(['days' => array_fill_keys($days, 45)]), $weeks);

        return ProgramDates::begin($plan, self::date($began), 'p1');
    }

    private static function dates(Program $program): ProgramDates
    {
        return ProgramDates::of($program) ?? self::fail('the program has a day');
    }

    /** @return list<list<string>> */
    private static function all(Program $program): array
    {
        $dates = self::dates($program);

        return array_map(
            static fn (int $w): array => array_map(
                static fn (int $s): string => $dates->session($w, $s)->format('Y-m-d'),
                array_keys($program->weeks[$w]->sessions),
            ),
            array_keys($program->weeks),
        );
    }

    public function test_every_session_falls_on_its_weekday_of_the_seven_days_from_the_beginning(): void
    {
        self::assertSame(
            [['2027-01-11', '2027-01-06', '2027-01-08'], ['2027-01-18', '2027-01-13', '2027-01-15']],
            self::all(self::program()),
        );
        self::assertNull(ProgramDates::of(Documents::plan(Documents::client([]))), 'nobody said when');
        $later = self::dates(self::program())->beginningOn(self::date('2027-01-11'));
        self::assertSame(['2027-01-11', '2027-01-13', '2027-01-15'], self::all($later)[0]);
    }

    public function test_who_is_away_goes_on_behind_the_last_day_on_the_same_weekdays(): void
    {
        $program = self::program(2, ['mon', 'wed', 'fri'], '2027-04-26');
        $away = self::dates($program)->shiftedBy([Shift::away(self::date('2027-05-03'), self::date('2027-05-12'))]);
        self::assertSame(
            [['2027-04-26', '2027-04-28', '2027-04-30'], ['2027-05-17', '2027-05-19', '2027-05-21']],
            self::all($away),
            'ten days are two weeks',
        );
        $dates = self::dates($away);
        self::assertSame(
            [0, 0, 1, 1],
            array_map(
                static fn (string $day): int => $dates->weekOn(self::date($day)),
                ['2027-04-20', '2027-05-02', '2027-05-10', '2027-06-30'],
            ),
        );
        self::assertSame(['2027-05-17', '2027-05-23'], [$dates->first(1)->format('Y-m-d'), $dates->last(1)->format('Y-m-d')]);
        $mid = self::dates($program)->shiftedBy([Shift::away(self::date('2027-04-28'), self::date('2027-04-29'))]);
        self::assertSame(['2027-04-26', '2027-05-05', '2027-05-07'], self::all($mid)[0], 'a week that is cut in two keeps its first part');
        $this->expectException(InvalidValue::class);
        Shift::away(self::date('2027-05-12'), self::date('2027-05-03'));
    }

    public function test_shifted_and_shifted_back_is_the_same_and_nobody_trains_while_away(): void
    {
        $this->limitTo(150)->forAll(
            Generators::choose(0, 90),
            Generators::choose(0, 30),
            Generators::choose(0, 90),
            Generators::choose(1, 6),
            Generators::choose(0, 6),
        )
            ->then(function (int $from, int $length, int $second, int $weeks, int $begins): void {
                $program = self::program(4, ['mon', 'wed', 'sat'], sprintf('2027-02-%02d', 1 + $begins));
                $start = self::date('2027-02-01');
                $away = Shift::away($start->modify("+{$from} days"), $start->modify(sprintf('+%d days', $from + $length)));
                $once = self::dates($program)->shiftedBy([$away]);
                $twice = self::dates($once)->shiftedBy([$away, new Shift($start->modify("+{$second} days"), $weeks)]);
                foreach ([...self::all($once), ...self::all($twice)] as $i => $days) {
                    $w = $i % 4;
                    foreach ($days as $s => $day) {
                        self::assertFalse($away->from <= self::date($day) && self::date($day) <= $away->to, 'nobody trains while away');
                        self::assertSame(
                            $program->weeks[$w]->sessions[$s]->day->number(),
                            (int) self::date($day)->format('N') - 1,
                            'on its weekday',
                        );
                    }
                }
                self::assertSame(self::all($once), self::all(self::dates($twice)->shiftedBy([$away])));
                self::assertEquals($program, self::dates($twice)->shiftedBy([]), 'the same program');
                self::assertSame(ProgramDates::keys($program), ProgramDates::keys($twice));
                $flat = array_merge(...self::all($twice));
                self::assertSame($flat, array_unique($flat));
            });
    }

    public function test_a_session_keeps_its_key_wherever_in_its_week_it_goes(): void
    {
        $program = self::program();
        $keys = ProgramDates::keys($program);
        self::assertCount(6, array_unique(array_merge(...$keys)));
        $moved = $program->changeSession(0, 1, static fn (Session $session): Session => ProgramDates::onDay($session, Weekday::Thursday));
        self::assertSame($keys, ProgramDates::keys($moved));
        self::assertSame(Weekday::Wednesday, ProgramDates::movedFrom($moved->weeks[0]->sessions[1]));
        $back = $moved->changeSession(0, 1, static fn (Session $session): Session => ProgramDates::onDay($session, Weekday::Wednesday));
        self::assertEquals($program, $back);
        self::assertNotSame(
            $keys,
            ProgramDates::keys(ProgramDates::begin($moved, self::date('2027-02-01'), 'p2')),
            'begun anew it is another program',
        );
    }

    public function test_a_session_moved_into_the_next_week_is_one_of_that_week_and_keeps_its_key_there_and_back(): void
    {
        $program = self::program();
        $keys = ProgramDates::keys($program);
        $moved = ProgramDates::moveSession($program, 0, 2, Weekday::Thursday, true);
        self::assertNotNull($moved);
        self::assertSame([[$keys[0][0], $keys[0][1]], [$keys[1][0], $keys[1][1], $keys[0][2], $keys[1][2]]], ProgramDates::keys($moved));
        $there = $moved->weeks[1]->sessions[2];
        self::assertSame([Weekday::Friday, 1], [ProgramDates::movedFrom($there), ProgramDates::weekMovedFrom($there)]);
        self::assertSame('2027-01-14', self::dates($moved)->session(1, 2)->format('Y-m-d'));
        $within = ProgramDates::moveSession($moved, 1, 2, Weekday::Friday) ?? $moved;
        self::assertSame(
            [Weekday::Friday, 1],
            [ProgramDates::movedFrom($within->weeks[1]->sessions[3]), ProgramDates::weekMovedFrom($within->weeks[1]->sessions[3])],
            'the Friday of another week',
        );
        self::assertNull(ProgramDates::moveSession($program, 1, 0, Weekday::Thursday, true), 'there is no third week');
        self::assertNull(ProgramDates::moveSession($program, 0, 7, Weekday::Thursday));
    }

    public function test_a_missed_wednesday_is_offered_on_thursday_where_friday_is_light_else_it_is_dropped_with_a_word(): void
    {
        $client = Documents::client(['days' => ['mon' => 45, 'wed' => 45, 'thu' => 45, 'sat' => 45]]);
        $program = ProgramDates::begin(Documents::plan($client, 2), self::date('2027-01-04'), 'p1');
        $wed = array_search(Weekday::Wednesday, array_column($program->weeks[0]->sessions, 'day'), true);
        self::assertIsInt($wed);
        $offer = fn (Program $of, string $today): MissedSession => MissedSession::of(
            $of,
            self::dates($of),
            0,
            $wed,
            self::date($today),
            $client,
            Documents::data()->library(),
            Documents::data()->style('even-keel'),
        );
        $alone = $program->withWeeks([$program->weeks[0]->withSessions([$program->weeks[0]->sessions[$wed]])]);
        $one = MissedSession::of(
            $alone,
            self::dates($alone),
            0,
            0,
            self::date('2027-01-06'),
            $client,
            Documents::data()->library(),
            Documents::data()->style('even-keel'),
        );
        self::assertSame([Weekday::Thursday, '2027-01-07', []], [$one->day, $one->on?->format('Y-m-d'), $one->loses]);
        $in = static fn (Program $of, string $today): MissedSession => MissedSession::of(
            $of,
            self::dates($of),
            0,
            0,
            self::date($today),
            $client,
            Documents::data()->library(),
            Documents::data()->style('even-keel'),
        );
        // 10 January is the Sunday: nobody trains on it, and Monday is in the week after
        $two = $alone->withWeeks([...$alone->weeks, $program->weeks[1]->withSessions([])]);
        self::assertSame(
            [Weekday::Monday, true, '2027-01-11'],
            [$in($two, '2027-01-10')->day, $in($two, '2027-01-10')->weekLater, $in($two, '2027-01-10')->on?->format('Y-m-d')],
        );
        self::assertNull($in($two, '2027-01-13')->day, 'the same weekday again is not the next day');
        self::assertNull($in($alone, '2027-01-11')->day, 'the program ends with its week');
        $late = $in($two, '2027-01-13');
        self::assertNotSame([], $late->loses);
        foreach ($late->loses as $line) {
            self::assertStringContainsString('no session this week instead of 1', $line);
        }
        self::assertNotNull($offer($program, '2027-01-06'));
    }

    public function test_whatever_is_offered_keeps_the_minutes_and_48_hours(): void
    {
        $library = Documents::data()->library();
        $style = Documents::data()->style('even-keel');
        $offered = 0;
        $this->limitTo(30)->forAll(
            Generators::elements(['mon', 'tue', 'thu', 'sat'], ['mon', 'wed', 'fri', 'sun'], ['tue', 'wed', 'thu', 'fri', 'sat']),
            Generators::choose(0, 6),
            Generators::choose(0, 6),
            Generators::choose(10, 60),
        )
            ->then(function (array $days, int $begins, int $late, int $minutes) use ($library, $style, &$offered): void {
                $client = Documents::client(['days' => array_fill_keys($days, $minutes)]);
                $program = ProgramDates::begin(Documents::plan($client, 2), self::date(sprintf('2027-02-%02d', 1 + $begins)), 'p1');
                $dates = self::dates($program);
                foreach (array_keys($program->weeks[0]->sessions) as $s) {
                    $today = $dates->session(0, $s)->modify("+{$late} days");
                    $offer = MissedSession::of($program, $dates, 0, $s, $today, $client, $library, $style);
                    self::assertSame($offer->day === null, $offer->on === null);
                    if ($offer->day === null || $offer->on === null) {
                        continue;
                    }
                    $offered++;
                    $key = ProgramDates::keys($program)[0][$s];
                    $moved = ProgramDates::moveSession($program, 0, $s, $offer->day, $offer->weekLater);
                    self::assertNotNull($moved);
                    $then = self::dates($moved);
                    $to = $offer->weekLater ? 1 : 0;
                    $there = array_search($key, ProgramDates::keys($moved)[$to], true);
                    self::assertIsInt($there, 'it stays the session it was');
                    self::assertEquals($offer->on, $then->session($to, $there));
                    self::assertGreaterThanOrEqual($today, $offer->on);
                    self::assertLessThanOrEqual($dates->session(0, $s)->modify('+6 days'), $offer->on);
                    self::assertSame($to, $then->weekOn($offer->on));
                    $on = array_filter($moved->weeks[$to]->sessions, static fn (Session $session): bool => $session->day === $offer->day);
                    self::assertLessThanOrEqual(
                        60_000 * $client->minutesOn($offer->day),
                        array_sum(array_map(static fn (Session $session): int => SessionTime::total($session, $library)->ms, $on)),
                    );
                    if (HardWork::isHardSession($moved->weeks[$to]->sessions[$there], $library, $style)) {
                        foreach ($moved->weeks as $w => $week) {
                            foreach ($week->sessions as $o => $other) {
                                if (($w !== $to || $o !== $there) && HardWork::isHardSession($other, $library, $style)) {
                                    self::assertGreaterThanOrEqual(2, abs((int) $then->session($w, $o)->diff($offer->on)->format('%r%a')));
                                }
                            }
                        }
                    }
                }
            });
        self::assertGreaterThan(0, $offered);
    }
}
