<?php

declare(strict_types=1);

namespace App\Sheets;

use DateTimeImmutable;
use EvenRungs\Core\Sheet\Words;
use EvenRungs\Core\Time\Weekday;
use IntlDateFormatter;
use IntlDatePatternGenerator;

/**
 * Days as a client reads them, in their language.
 */
final class SheetDates
{
    /** A day, in the order and with the names of the language. */
    public static function day(DateTimeImmutable $day, Words $words, string $skeleton = 'dMMM'): string
    {
        $pattern = (new IntlDatePatternGenerator($words->locale()))->getBestPattern($skeleton);

        return (string) (new IntlDateFormatter(
            $words->locale(),
            IntlDateFormatter::NONE,
            IntlDateFormatter::NONE,
            'UTC',
            null,
            $pattern === false ? 'd MMM' : $pattern,
        ))->format($day->setTime(12, 0)->getTimestamp());
    }

    /** A weekday's name, from a week that is known to begin on a Monday. */
    public static function weekday(Weekday $day, Words $words, string $pattern): string
    {
        return self::day((new DateTimeImmutable('2024-01-01 UTC'))->modify(sprintf('+%d days', $day->number())), $words, $pattern);
    }
}
