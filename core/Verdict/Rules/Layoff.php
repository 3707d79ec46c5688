<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict\Rules;

use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Matter;
use EvenRungs\Core\Verdict\Rule;
use EvenRungs\Core\Verdict\Verdict;

final class Layoff implements Rule
{
    /** Days without a core session from which on everything starts a rung lower, or two. */
    public const DAYS = 14;

    private const LONG_DAYS = 28;

    public static function id(): string
    {
        return 'layoff';
    }

    public static function sentence(): string
    {
        return 'Two weeks without a core session lower by one rung, four weeks by two and a re-test; a ladder left alone for '
            .'four weeks starts its dose again.';
    }

    public static function source(): string
    {
        return 'House rule.';
    }

    /** Rungs that the time away asks to go down: 0, 1 or 2. */
    public static function rungs(History $history): int
    {
        $last = $history->last()?->date;
        if ($last === null || $history->asOf === null || ($history->arrived !== null && $history->arrived > $last)) {
            return 0;
        }
        $days = History::days(max($last, $history->trainedOn ?? $last), $history->asOf);

        return $days >= self::LONG_DAYS ? 2 : ($days >= self::DAYS ? 1 : 0);
    }

    public function decide(Matter $matter): ?Verdict
    {
        $history = $matter->history;
        $last = $matter->last()->date;
        $asOf = $history->asOf ?? $last;
        $rungs = self::rungs($history);
        $back = [sprintf('A session within %d days.', self::DAYS - 1)];
        if ($rungs > 0) {
            $to = $matter->below($rungs) === null ? new Position($history->rung, 0) : $matter->lower($rungs, false);
            $days = History::days(max($last, $history->trainedOn ?? $last), $asOf);

            return $matter->move(
                Decision::Regress,
                self::id(),
                $to,
                [
                    sprintf(
                        '%d days since the last session: %s.',
                        $days,
                        $to->rung === $history->rung ? 'its dose starts again' : (
                            $rungs === 1 ? 'one rung lower' : 'two rungs lower'
                        ).($rungs === 2 ? ', and a re-test' : ''),
                    ),
                ],
                $back,
                retest: $rungs === 2,
            );
        }
        $alone = History::days($last, $asOf);
        $start = new Position($history->rung, 0);
        $came = $history->arrived !== null && $history->arrived > $last;
        if ($history->trainedOn === null || $came || $alone < self::LONG_DAYS || $start->is($history->position())) {
            return null;
        }

        return $matter->move(
            Decision::Regress,
            self::id(),
            $start,
            [sprintf('%d days since this ladder was trained: its dose starts again.', $alone)],
            $back,
        );
    }
}
