<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict\Rules;

use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Matter;
use EvenRungs\Core\Verdict\Rule;
use EvenRungs\Core\Verdict\Verdict;

final class PainCaution implements Rule
{
    public static function id(): string
    {
        return 'pain.caution';
    }

    public static function sentence(): string
    {
        return 'Pain of 3 to 5 steps down with a swap; after pain of 3 or more the session before it goes a rung down and refers.';
    }

    public static function source(): string
    {
        return 'Thomeé R (1997) Phys Ther 77(12):1690–1703, from memory; what follows from it: house rule.';
    }

    public function decide(Matter $matter): ?Verdict
    {
        $pain = $matter->last()->worstPain();
        if ($pain <= LoggedSession::MOST_PAIN) {
            return null;
        }
        $would = [sprintf('Pain of %d or less.', LoggedSession::MOST_PAIN)];
        $place = count($matter->history->sessions) - 1;
        if ($matter->qualifying->isMonitored($matter->last()->date)) {
            if ($matter->qualifying->isMonitoredPain($place)) {
                return null;
            }
            $before = $matter->history->beforeLast();
            $rises = $before !== null && $pain > $before->worstPain();
            $worse = ($matter->last()->painNextDay ?? 0) > ($matter->last()->painBefore ?? 0);
            if (! $rises && ! ($matter->last()->painNextDay !== null && $worse)) {
                return $matter->stay(
                    self::id(),
                    [
                        sprintf(
                            'Pain was %d, inside what the clearance allows: no step up %s.',
                            $pain,
                            $before === null ? 'from a first session' : 'without the pain before it and on the next day',
                        ),
                    ],
                    ['Pain that is no more than the time before, asked before it and on the next day.'],
                );
            }
        }
        if (($matter->history->beforeLast()?->worstPain() ?? 0) > LoggedSession::MOST_PAIN) {
            return $matter->move(
                Decision::Regress,
                self::id(),
                $matter->lower(1, false),
                [sprintf('Pain of 3 or more in two sessions running (now %d): one rung lower, and a clinician should see it.', $pain)],
                $would,
                refer: true,
                swap: $matter->swap(),
            );
        }

        return $matter->stepDown(
            self::id(),
            sprintf('Pain was %d: it ends today, swap it or take less.', $pain),
            $would,
            true,
            $matter->swap(),
        );
    }
}
