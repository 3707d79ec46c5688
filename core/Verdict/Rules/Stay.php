<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict\Rules;

use EvenRungs\Core\Verdict\Matter;
use EvenRungs\Core\Verdict\Miss;
use EvenRungs\Core\Verdict\Rule;
use EvenRungs\Core\Verdict\Verdict;

final class Stay implements Rule
{
    public static function id(): string
    {
        return 'stay';
    }

    public static function sentence(): string
    {
        return 'Anything else stays.';
    }

    public static function source(): string
    {
        return 'Common practice, no source.';
    }

    public function decide(Matter $matter): Verdict
    {
        $clean = $matter->qualifying->cleanRunning();
        if ($matter->history->last() === null) {
            return $matter->stay(self::id(), ['Nothing was logged on this rung yet.'], [$matter->needed(0)]);
        }
        $misses = $matter->qualifying->misses(count($matter->history->sessions) - 1);
        $days = $matter->qualifying->daysMissing();

        return $matter->stay(
            self::id(),
            [$misses === []
                ? (
                    $clean === 0 ? 'The last session was clean, but before the client came to stand here.' : sprintf(
                        '%d clean of %d that earn a step.',
                        $clean,
                        $matter->style->cleanSessions,
                    )
                )
                : sprintf(
                    'The last session does not count: %s.',
                    implode('; ', array_map(static fn (Miss $miss): string => $miss->what, $misses)),
                )],
            [
                ...array_values(array_unique(array_map(static fn (Miss $miss): string => $miss->would, $misses))),
                ...($days > 0 ? [sprintf('%d more day%s on the rung.', $days, $days === 1 ? '' : 's')] : []),
                ...($clean >= $matter->style->cleanSessions ? [] : [$matter->needed($clean)]),
            ],
        );
    }
}
