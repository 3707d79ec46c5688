<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

/**
 * What happened as CSV: when (UTC), who, on which client, what.
 */
final class EventCsv extends CsvReader
{
    public const COLUMNS = ['at', 'who', 'client', 'act', 'detail'];

    /** @param  list<array<string, string|null>>  $events  by column */
    public static function write(array $events): string
    {
        return self::table($events);
    }
}
