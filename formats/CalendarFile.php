<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use DateTimeImmutable;
use DateTimeZone;
use EvenRungs\Core\Time\Seconds;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;

/**
 * Sessions as iCalendar (RFC 5545).
 */
final class CalendarFile
{
    private const MINUTE = 60;

    private const HOUR = 3600;

    /**
     * @param  list<CalendarEvent>  $events
     * @param  DateTimeZone  $zone  of all of them
     * @param  DateTimeImmutable  $now  when it is written
     */
    public static function write(string $name, array $events, DateTimeZone $zone, DateTimeImmutable $now): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Even Rungs//Sessions//EN', 'X-WR-CALNAME' => $name]);
        $timed = array_filter($events, static fn (CalendarEvent $each): bool => ! $each->isAllDay);
        if ($timed !== []) {
            self::addZone($calendar, $zone, array_map(static fn (CalendarEvent $each): int => $each->start->getTimestamp(), $timed));
        }
        foreach ($events as $each) {
            $event = $calendar->add('VEVENT', [
                'UID' => $each->id,
                'DTSTAMP' => $now->setTimezone(new DateTimeZone('UTC')),
                'SUMMARY' => $each->title,
                'DESCRIPTION' => $each->text,
            ]);
            if (! $event instanceof Component) {
                continue;
            }
            if ($each->isAllDay) {
                $event->add('DTSTART', $each->start->format('Ymd'), ['VALUE' => 'DATE']);
            } else {
                $event->add('DTSTART', $each->start->setTimezone($zone));
                $event->add('DURATION', self::duration($each->length));
            }
        }

        return $calendar->serialize();
    }

    private static function duration(Seconds $length): string
    {
        $seconds = (int) round($length->ms / 1000);

        return sprintf('PT%dH%dM%dS', intdiv($seconds, self::HOUR), intdiv($seconds % self::HOUR, self::MINUTE), $seconds % self::MINUTE);
    }

    /**
     * Every change of the clock from the year before the first session to the year after the last.
     *
     * @param  non-empty-array<int>  $moments
     */
    private static function addZone(VCalendar $calendar, DateTimeZone $zone, array $moments): void
    {
        $written = $calendar->add('VTIMEZONE', ['TZID' => $zone->getName()]);
        $year = static fn (int $moment, int $more): int => (int) gmmktime(0, 0, 0, 1, 1, (int) gmdate('Y', $moment) + $more);
        $changes = $zone->getTransitions($year(min($moments), -1), $year(max($moments), 2));
        if (! $written instanceof Component || $changes === false) {
            return;
        }
        $before = $changes[0]['offset'] ?? 0;
        foreach ($changes as $change) {
            $written->add($calendar->createComponent($change['isdst'] ? 'DAYLIGHT' : 'STANDARD', [
                'DTSTART' => gmdate('Ymd\THis', $change['ts'] + $before),
                'TZOFFSETFROM' => self::offset($before),
                'TZOFFSETTO' => self::offset($change['offset']),
                'TZNAME' => $change['abbr'],
            ]));
            $before = $change['offset'];
        }
    }

    private static function offset(int $seconds): string
    {
        return sprintf(
            '%s%02d%02d',
            $seconds < 0 ? '-' : '+',
            intdiv(abs($seconds), self::HOUR),
            intdiv(abs($seconds) % self::HOUR, self::MINUTE),
        );
    }
}
