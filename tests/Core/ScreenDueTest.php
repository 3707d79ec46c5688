<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Client\ScreenDue;
use PHPUnit\Framework\TestCase;

/**
 * When the screen is asked again. House rule: 12 weeks, a new symptom, a layoff of 8 weeks, or a stop.
 */
final class ScreenDueTest extends TestCase
{
    private static function due(string $asked, ?string $symptom = null, ?string $session = null, ?string $stop = null): string
    {
        $day = static fn (?string $text): ?DateTimeImmutable => $text === null ? null : new DateTimeImmutable($text);

        return ScreenDue::after(new DateTimeImmutable($asked), $day($symptom), $day($session), $day($stop))->on->format('Y-m-d');
    }

    public function test_twelve_weeks_after_the_last_one(): void
    {
        self::assertSame('2027-02-18', self::due('2026-11-26'));
        self::assertFalse(ScreenDue::after(new DateTimeImmutable('2026-11-26'))->isOver(new DateTimeImmutable('2027-02-17')));
        self::assertTrue(ScreenDue::after(new DateTimeImmutable('2026-11-26'))->isOver(new DateTimeImmutable('2027-02-18')));
    }

    public function test_at_once_when_something_new_hurts_or_training_was_stopped(): void
    {
        self::assertSame('2026-12-02', self::due('2026-11-26', symptom: '2026-12-02'));
        self::assertSame('2026-12-03', self::due('2026-11-26', stop: '2026-12-03'));
        self::assertSame(
            '2027-02-18',
            self::due('2026-11-26', symptom: '2026-11-20', stop: '2026-11-25'),
            'what was known when it was asked is not new',
        );
        self::assertSame('2026-11-26', self::due('2026-11-26', symptom: '2026-11-26'), 'later on the day of the screen it is new');
        self::assertSame('2026-11-26', self::due('2026-11-26', stop: '2026-11-26'), 'a stop later on the day of the screen too');
    }

    public function test_eight_weeks_without_training(): void
    {
        self::assertSame('2027-02-04', self::due('2026-11-26', session: '2026-12-10'));
        self::assertSame('2027-01-21', self::due('2026-11-26', session: '2026-10-01'), 'counted from the screen where that is later');
    }
}
