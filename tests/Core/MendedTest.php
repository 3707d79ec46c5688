<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramRefit;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Time\Seconds;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * A session that a change by hand made a little too long. Up to a minute its rests give it (house rule), never more than half of a rest.
 */
final class MendedTest extends TestCase
{
    private static function program(int $holds): Program
    {
        return Documents::program(['title' => 'Holds', 'weeks' => [['week' => 1, 'sessions' => [[
            'format' => 'even-rungs/session', 'version' => 1, 'day' => 'mon', 'kind' => 'standalone',
            'blocks' => [['type' => 'straight', 'entries' => [
                ['exercise' => 'forearm-plank', 'sets' => 4, 'hold_s' => $holds, 'rest_s' => 60],
            ]]],
        ]]]]]);
    }

    private static function client(int $minutes, string ...$limits): Client
    {
        return Documents::client(['as_of' => '2027-01-10', 'days' => ['mon' => $minutes], 'limits' => array_map(
            static fn (string $limit): array => ['limit' => $limit],
            array_values($limits),
        )]);
    }

    private static function mended(Program $before, Program $after, Client $client): Session
    {
        return ProgramRefit::of(Documents::data()->library())->mended($before, $after, $client)->weeks[0]->sessions[0];
    }

    /** @return iterable<string, array{int, int, bool}> seconds of hold, minutes there are, whether the rests give them */
    public static function holds(): iterable
    {
        // 4 holds and 3 rests of 60 s: 300 s with holds of 30 s
        yield 'exactly the minutes' => [30, 5, false];
        yield 'four seconds over' => [31, 5, true];
        yield 'a minute over' => [45, 5, true];
        yield 'more than a minute over' => [46, 5, false];
    }

    #[DataProvider('holds')]
    public function test_a_minute_too_much_is_given_by_the_rests_and_more_stays(int $hold, int $minutes, bool $isMended): void
    {
        $after = self::program($hold);
        $was = Documents::time($after->weeks[0]->sessions[0])->time->total();
        self::assertSame(4 * $hold + 3 * 60, $was->toNumber());
        $session = self::mended(self::program(20), $after, self::client($minutes));
        $now = Documents::time($session)->time->total();
        if (! $isMended) {
            self::assertSame([$was->ms, null], [$now->ms, ProgramRefit::saidOf($session)]);

            return;
        }
        self::assertFalse($now->isLongerThan(Seconds::of(60 * $minutes)));
        self::assertStringStartsWith(
            sprintf('It was %d s over the minutes; the rests gave them: rest 1:00 → ', $was->toNumber() - 60 * $minutes),
            (string) ProgramRefit::saidOf($session),
        );
        self::assertSame($hold * 1000, $session->entries()[0]->dose->measure->amount());
    }

    public function test_rests_stay_whole_for_a_medical_limit_and_what_nobody_touched_is_left_alone(): void
    {
        $after = self::program(31);
        self::assertNull(ProgramRefit::saidOf(self::mended(self::program(20), $after, self::client(5, 'osteoporosis'))));
        self::assertSame($after->weeks[0]->sessions[0], self::mended($after, $after, self::client(5)));
    }

    public function test_a_session_that_nobody_touched_keeps_its_rests_where_another_leaves_the_week(): void
    {
        $session = static fn (string $day): array => [
            'format' => 'even-rungs/session', 'version' => 1, 'day' => $day, 'kind' => 'standalone',
            'blocks' => [['type' => 'straight', 'entries' => [
                ['exercise' => 'forearm-plank', 'sets' => 4, 'hold_s' => 31, 'rest_s' => 60],
            ]]],
        ];
        $before = Documents::program(['title' => 'Two', 'weeks' => [['week' => 1, 'sessions' => [$session('mon'), $session('wed')]]]]);
        $after = $before->changeSession(0, 0, static fn (): ?Session => null);
        $client = Documents::client(['as_of' => '2027-01-10', 'days' => ['mon' => 5, 'wed' => 5]]);
        self::assertEquals($before->weeks[0]->sessions[1], self::mended($before, $after, $client));
    }

    public function test_what_was_said_goes_when_the_session_fits_again(): void
    {
        $client = self::client(5);
        $session = self::mended(self::program(20), self::program(31), $client);
        $mended = self::program(20)->changeSession(0, 0, static fn (): Session => $session);
        self::assertNotNull(ProgramRefit::saidOf($mended->weeks[0]->sessions[0]));
        $shorter = $mended->changeSession(
            0,
            0,
            static fn (Session $session): Session => $session->mapEntries(
                static fn ($entry) => $entry->withDose(self::program(20)->weeks[0]->sessions[0]->entries()[0]->dose),
            ),
        );
        self::assertNull(ProgramRefit::saidOf(self::mended($mended, $shorter, $client)));
    }
}
