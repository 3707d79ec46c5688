<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Hard days keep 48 h, over the end of a week too, and what is offered instead keeps them as well (house rule).
 */
final class HardDaysTest extends TestCase
{
    use AuditedWeeks;

    /** @return list<array<string, mixed>> the even session with two sets of each */
    private static function hard(): array
    {
        return array_map(static fn (array $entry): array => [...$entry, 'sets' => 2], self::EVEN);
    }

    public function test_sunday_lies_before_the_monday_of_the_next_week(): void
    {
        $lift = static fn (string $day): array => [
            self::week(1, [self::session('sun', self::hard())]),
            self::week(2, [self::session('thu')], ['other_training' => [['day' => $day, 'type' => 'heavy-lift']]]),
        ];

        self::assertSame(
            ['is hard on the day before a heavy lift'],
            array_column(self::find(self::read($lift('mon')), 'spacing.hard-days'), 'message'),
        );
        self::assertSame([], self::find(self::read($lift('tue')), 'spacing.hard-days'));
    }

    /** @return iterable<string, array{array<int, list<string>>, list<string>, ?string, list<string>}> */
    public static function moves(): iterable
    {
        // hard days by week, minutes on which days (none: any), the day offered to week 1's Tuesday, heavy lifts of week 1
        yield 'the first day two days from it' => [[1 => ['mon', 'tue']], [], 'Wednesday', []];
        yield 'not before a heavy lift, nor on it' => [[1 => ['mon', 'tue']], [], 'Friday', ['thu']];
        yield 'only on a day with minutes' => [[1 => ['mon', 'tue']], ['mon', 'tue', 'sat'], 'Saturday', []];
        yield 'not on Sunday before a hard Monday' => [[1 => ['mon', 'tue'], 2 => ['mon']], ['mon', 'tue', 'sun'], null, []];
        yield 'on Sunday before a hard Tuesday' => [[1 => ['mon', 'tue'], 2 => ['tue']], ['mon', 'tue', 'sun'], 'Sunday', []];
    }

    /**
     * @param  array<int, list<string>>  $days
     * @param  list<string>  $offered
     * @param  list<string>  $lifts
     */
    #[DataProvider('moves')]
    public function test_a_hard_day_beside_another_is_offered_a_day_that_keeps_the_distance(
        array $days,
        array $offered,
        ?string $to,
        array $lifts,
    ): void {
        $hard = self::hard();
        $other = array_map(static fn (string $day): array => ['day' => $day, 'type' => 'heavy-lift'], $lifts);
        $weeks = [];
        foreach ($days as $number => $on) {
            $sessions = array_map(static fn (string $day): array => self::session($day, $hard), $on);
            $weeks[] = self::week($number, $sessions, ['other_training' => $number === 1 ? $other : []]);
        }
        $client = $offered === [] ? null : self::client(['days' => array_fill_keys($offered, 60)]);
        $found = self::find(self::read($weeks, $client), 'spacing.hard-days');

        self::assertSame('/weeks/0/sessions/1', $found[0]->where);
        self::assertSame($to === null ? null : sprintf('Move it to %s.', $to), $found[0]->fix?->text);
    }
}
