<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Body\ScreenDue;
use EvenRungs\Core\Roster\Need;
use EvenRungs\Core\Roster\Needs;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Who comes first in the list of clients. The two weeks are a house rule.
 */
final class NeedsTest extends TestCase
{
    /** @return iterable<string, array{bool, ?string, int, int, string, ?string, list<string>}> */
    public static function clients(): iterable
    {
        yield 'nobody who trains well' => [false, null, 0, 0, '2026-11-01', '2026-11-25', []];
        yield 'a clinician before everything' => [true, '2026-11-25', 4, 2, '2026-08-01', '2026-11-01', ['refer', 'pain', 'decision', 'screen', 'unseen']];
        yield 'pain two weeks ago' => [false, '2026-11-12', 3, 0, '2026-11-01', '2026-11-25', ['pain']];
        yield 'pain the day before that' => [false, '2026-11-11', 3, 0, '2026-11-01', '2026-11-25', []];
        yield 'no pain is no need' => [false, '2026-11-25', 0, 0, '2026-11-01', '2026-11-25', []];
        yield 'seen two weeks ago' => [false, null, 0, 0, '2026-11-01', '2026-11-12', []];
        yield 'seen the day before that' => [false, null, 0, 0, '2026-11-01', '2026-11-11', ['unseen']];
        yield 'never logged is not unseen' => [false, null, 0, 0, '2026-11-01', null, []];
        yield 'screened twelve weeks ago' => [false, null, 0, 0, '2026-09-03', '2026-11-25', ['screen']];
        yield 'screened a day less ago' => [false, null, 0, 0, '2026-09-04', '2026-11-25', []];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('clients')]
    public function test_what_a_client_needs(bool $refers, ?string $painOn, int $pain, int $waiting, string $screened, ?string $seen, array $expected): void
    {
        $day = static fn (?string $on): ?DateTimeImmutable => $on === null ? null : new DateTimeImmutable($on);
        $needs = Needs::on(new DateTimeImmutable('2026-11-26'), $refers, $day($painOn), $pain, $waiting, ScreenDue::after(new DateTimeImmutable($screened)), $day($seen));

        self::assertSame($expected, array_map(static fn (array $need): string => $need[0]->value, $needs->all));
        self::assertSame($expected === [] ? count(Need::cases()) : Need::from($expected[0])->rank(), $needs->rank());
    }
}
