<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\Auth;
use Monolog\Formatter\FormatterInterface;
use Monolog\LogRecord;
use Throwable;

/**
 * An error as one line: nobody who is not signed in writes more than 500 bytes of it, and nothing that was sent is repeated at length.
 */
final class ShortLine implements FormatterInterface
{
    private const MOST_BYTES = 500;

    private const MOST_BYTES_SIGNED_IN = 8000;

    private const MOST_MESSAGE = 300;

    public function format(LogRecord $record): string
    {
        $e = $record->context['exception'] ?? null;
        $line = sprintf(
            '[%s] %s %s',
            $record->datetime->format('Y-m-d H:i:s'),
            $record->level->getName(),
            mb_strcut($record->message, 0, self::MOST_MESSAGE),
        );
        if ($e instanceof Throwable) {
            $line .= sprintf(' | %s at %s:%d', $e::class, str_replace(base_path().'/', '', $e->getFile()), $e->getLine());
            $line .= self::isSignedIn() ? ' | '.str_replace(base_path().'/', '', $e->getTraceAsString()) : '';
        }

        return mb_strcut(
            (string) preg_replace('/[\x00-\x1f\x7f]+/', ' ', mb_scrub($line)),
            0,
            (self::isSignedIn() ? self::MOST_BYTES_SIGNED_IN : self::MOST_BYTES) - 1,
        )."\n";
    }

    /** An error may come before there is anything that could know. */
    private static function isSignedIn(): bool
    {
        return app()->bound('auth') && Auth::hasUser();
    }

    /** @param  array<LogRecord>  $records */
    public function formatBatch(array $records): string
    {
        return implode('', array_map($this->format(...), $records));
    }
}
