<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Client\ScreenDue;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Review\Roster\Need;
use EvenRungs\Core\Review\Roster\Needs;
use EvenRungs\Core\Verdict\Decision;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Who comes first in the list of clients. The two weeks are a house rule.
 */
final class NeedsTest extends TestCase
{
    /** @return iterable<string, array{bool, ?string, int, int, string, ?string, list<string>}> */
    public static function clients(): iterable
    {
        yield 'nobody who trains well' => [false, null, 0, 0, '2026-11-01', '2026-11-25', []];
        yield 'a clinician before everything' => [
            true,
            '2026-11-25',
            4,
            2,
            '2026-08-01',
            '2026-11-01',
            ['refer', 'pain', 'decision', 'screen', 'unseen'],
        ];
        yield 'pain two weeks ago' => [false, '2026-11-12', 3, 0, '2026-11-01', '2026-11-25', ['pain']];
        yield 'pain of 2 is safe' => [false, '2026-11-25', 2, 0, '2026-11-01', '2026-11-25', []];
        yield 'pain the day before that' => [false, '2026-11-11', 3, 0, '2026-11-01', '2026-11-25', []];
        yield 'no pain is no need' => [false, '2026-11-25', 0, 0, '2026-11-01', '2026-11-25', []];
        yield 'seen two weeks ago' => [false, null, 0, 0, '2026-11-01', '2026-11-12', []];
        yield 'seen the day before that' => [false, null, 0, 0, '2026-11-01', '2026-11-11', ['unseen']];
        yield 'never logged is not unseen' => [false, null, 0, 0, '2026-11-01', null, []];
        yield 'screened twelve weeks ago' => [false, null, 0, 0, '2026-09-03', '2026-11-25', ['screen']];
        yield 'screened a day less ago' => [false, null, 0, 0, '2026-09-04', '2026-11-25', []];
    }

    public function test_stuck_ladders_and_a_retest_that_is_due_come_after_the_screen(): void
    {
        $needs = static fn (int $stuck, ?string $tested): array => array_map(
            static fn (array $need): array => [$need[0]->value, $need[1]?->format('Y-m-d'), $need[2]],
            Needs::on(
                new DateTimeImmutable('2026-11-26'),
                false,
                null,
                0,
                0,
                ScreenDue::after(new DateTimeImmutable('2026-09-01')),
                new DateTimeImmutable('2026-11-25'),
                $stuck,
                $tested === null ? null : new DateTimeImmutable($tested),
            )->all,
        );

        self::assertSame([['screen', '2026-11-24', null], ['stuck', null, 2], ['retest', '2026-11-26', null]], $needs(2, '2026-10-15'));
        self::assertSame([['screen', '2026-11-24', null]], $needs(0, '2026-10-16'), 'a day less than six weeks');
        self::assertSame([['screen', '2026-11-24', null]], $needs(0, null), 'never tested is no re-test');
    }

    /**
     * @return iterable<string, array{string, list<string>, int, string, Decision, bool}> rung, days trained, step, arrived, decision,
     *         whether it is stuck
     */
    public static function ladders(): iterable
    {
        yield 'four weeks on a rung, still trained' => ['heel-taps', ['2026-10-29', '2026-11-24'], 0, '2026-10-29', Decision::Stay, true];
        yield 'a day less' => ['heel-taps', ['2026-10-30', '2026-11-24'], 0, '2026-10-30', Decision::Stay, false];
        yield 'arrived later than its first log' => ['heel-taps', ['2026-10-01', '2026-11-24'], 0, '2026-11-20', Decision::Stay, false];
        yield 'something would move it' => ['heel-taps', ['2026-10-01', '2026-11-24'], 0, '2026-10-01', Decision::StepUp, false];
        yield 'not trained any more' => ['heel-taps', ['2026-10-01', '2026-11-11'], 0, '2026-10-01', Decision::Stay, false];
        yield 'once is no training' => ['heel-taps', ['2026-11-24'], 0, '2026-10-01', Decision::Stay, false];
        yield 'the top of its ladder has nowhere to go' => [
            'the highest',
            ['2026-10-01', '2026-11-24'],
            9,
            '2026-10-01',
            Decision::Stay,
            false,
        ];
    }

    /** @param  list<string>  $days */
    #[DataProvider('ladders')]
    public function test_which_ladder_is_stuck(
        string $rung,
        array $days,
        int $step,
        string $arrived,
        Decision $decision,
        bool $expected,
    ): void {
        $ladder = Documents::data()->library()->ladder('dead-bug');
        $sessions = array_map(
            static fn (string $day): LoggedSession => new LoggedSession(
                new DateTimeImmutable($day),
                null,
                null,
                null,
                [new LoggedSet('both', 8, 8, [], [], null, 0, null, 5, true)],
            ),
            $days,
        );
        $stands = $rung === 'heel-taps' ? Documents::data()->library()->rung($rung) : $ladder->rungs[count($ladder->rungs) - 1];

        self::assertSame(
            $expected,
            Needs::isStuck(
                new History($ladder, $stands, $step, new DateTimeImmutable($arrived), null, $sessions, Documents::steps()),
                $decision,
                new DateTimeImmutable('2026-11-26'),
            ),
        );
    }

    /** @param  list<string>  $expected */
    #[DataProvider('clients')]
    public function test_what_a_client_needs(
        bool $refers,
        ?string $painOn,
        int $pain,
        int $waiting,
        string $screened,
        ?string $seen,
        array $expected,
    ): void {
        $day = static fn (?string $on): ?DateTimeImmutable => $on === null ? null : new DateTimeImmutable($on);
        $needs = Needs::on(
            new DateTimeImmutable('2026-11-26'),
            $refers,
            $day($painOn),
            $pain,
            $waiting,
            ScreenDue::after(new DateTimeImmutable($screened)),
            $day($seen),
        );

        self::assertSame($expected, array_map(static fn (array $need): string => $need[0]->value, $needs->all));
        self::assertSame($expected === [] ? count(Need::cases()) : Need::from($expected[0])->rank(), $needs->rank());
    }
}
