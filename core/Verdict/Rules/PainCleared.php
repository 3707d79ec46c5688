<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict\Rules;

use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Matter;
use EvenRungs\Core\Verdict\Rule;
use EvenRungs\Core\Verdict\Verdict;
use EvenRungs\Core\Writing;

final class PainCleared implements Rule
{
    public static function id(): string
    {
        return 'pain.cleared';
    }

    public static function sentence(): string
    {
        return 'After a stop that a clearance lifts, training goes on one rung lower, or as far down as the time away asks, and '
            .'the ladder is tested again.';
    }

    public static function source(): string
    {
        return 'House rule.';
    }

    public function decide(Matter $matter): ?Verdict
    {
        $history = $matter->history;
        $cleared = $history->cleared;
        $stops = array_filter($history->sessions, static fn (LoggedSession $session): bool => $session->mustStop());
        if ($cleared === null || $stops === [] || ($history->arrived !== null && $history->arrived >= $cleared)) {
            return null;
        }
        $rungs = max(1, Layoff::rungs($history));

        return $matter->move(
            Decision::Regress,
            self::id(),
            $matter->lower($rungs, false),
            [
                sprintf(
                    'Cleared on %s after a stop: %s, from its start, and a re-test.',
                    Writing::day($cleared),
                    $rungs === 1 ? 'one rung lower' : 'two rungs lower',
                ),
            ],
            ['Nothing: after a stop everybody starts lower.'],
            retest: true,
        );
    }
}
