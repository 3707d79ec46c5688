<?php

declare(strict_types=1);

namespace Tests\Formats;

use DateTimeImmutable;
use DateTimeZone;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\CalendarEvent;
use EvenRungs\Formats\CalendarFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\ReadByNode;

/**
 * iCalendar (RFC 5545) as it is written here, read by ical.js.
 */
final class CalendarTest extends TestCase
{
    private static function written(string $zone, CalendarEvent ...$events): string
    {
        $now = new DateTimeImmutable('2026-11-28 12:00 UTC');

        return CalendarFile::write('Harbour', array_values($events), new DateTimeZone($zone), $now);
    }

    /** @return iterable<string, array{string}> */
    public static function zones(): iterable
    {
        yield 'north' => ['Europe/Oslo'];
        yield 'south' => ['Australia/Sydney'];
        yield 'half an hour' => ['Australia/Lord_Howe'];
        yield 'west' => ['America/St_Johns'];
        yield 'no summer time' => ['Asia/Kolkata'];
        yield 'none at all' => ['UTC'];
    }

    /** Half past five stays half past five, whatever the clock does: every day of 400 over both changes and ISO week 53 of 2026. */
    #[DataProvider('zones')]
    public function test_a_session_keeps_its_time_of_day_over_summer_time_and_the_end_of_the_year(string $zone): void
    {
        $events = [];
        $day = new DateTimeImmutable('2026-03-01 17:30', new DateTimeZone($zone));
        for ($i = 0; $i < 400; $i++) {
            $at = $day->modify("+$i days");
            $events[] = new CalendarEvent("session-$i", $at, false, Seconds::of(1068), 'Core, 17:48 min', "One\nTwo; three, four");
        }
        $read = ReadByNode::with('read-calendar.mjs', self::written($zone, ...$events));
        self::assertCount(400, $read);
        foreach ($read as $i => $each) {
            $meant = $events[$i]->start;
            self::assertSame([$meant->format('Y-m-d'), '17:30', 1068], [$each['day'], $each['time'], $each['seconds']]);
            self::assertSame($meant->getTimestamp(), (new DateTimeImmutable($each['utc']))->getTimestamp(), $zone.' '.$each['day']);
        }
        self::assertSame("One\nTwo; three, four", $read[0]['text']);
        self::assertContains('2027-01-03', array_column($read, 'day'), 'the last day of week 53');
    }

    public function test_without_a_time_of_day_it_lasts_the_day_and_the_minutes_stand_in_its_name(): void
    {
        $day = new DateTimeImmutable('2026-12-31', new DateTimeZone('Asia/Tokyo'));
        $event = new CalendarEvent('a@x', $day, true, Seconds::of(1068), 'Core session, 17:48 min', '');
        $text = self::written('Asia/Tokyo', $event);
        self::assertStringNotContainsString('VTIMEZONE', $text);
        self::assertSame(
            [['uid' => 'a@x', 'day' => '2026-12-31', 'time' => null, 'title' => 'Core session, 17:48 min']],
            array_map(
                static fn (array $each): array => array_intersect_key($each, ['uid' => 1, 'day' => 1, 'time' => 1, 'title' => 1]),
                ReadByNode::with('read-calendar.mjs', $text),
            ),
        );
    }

    public function test_lines_are_folded_as_the_standard_wants_and_nothing_of_a_name_breaks_out(): void
    {
        $title = "Côte, n°1; \\ \r\nBEGIN:VEVENT ".str_repeat('långt ', 40);
        $text = self::written('UTC', new CalendarEvent('b@x', new DateTimeImmutable('2026-12-31'), true, Seconds::of(60), $title, $title));
        foreach (explode("\r\n", rtrim($text)) as $line) {
            self::assertLessThanOrEqual(75, strlen($line));
        }
        $read = ReadByNode::with('read-calendar.mjs', $text);
        self::assertCount(1, $read);
        self::assertStringContainsString('långt långt', $read[0]['title']);
    }
}
