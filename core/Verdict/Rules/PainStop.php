<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict\Rules;

use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Matter;
use EvenRungs\Core\Verdict\Rule;
use EvenRungs\Core\Verdict\Verdict;
use EvenRungs\Core\Writing;

final class PainStop implements Rule
{
    public static function id(): string
    {
        return 'pain.stop';
    }

    public static function sentence(): string
    {
        return 'Pain over 5, or sharp, spreading, numb or giving way, stops and refers, until a clearance of a later day; '
            .'spreading, numb and giving way stop everything.';
    }

    public static function source(): string
    {
        return 'Thomeé R (1997) Phys Ther 77(12):1690–1703 and Silbernagel KG et al. (2007) Am J Sports Med 35(6):897–906, from '
            .'memory: knee and Achilles pain, for the trunk an extrapolation. Kinds of pain: common practice, no source.';
    }

    public function decide(Matter $matter): ?Verdict
    {
        $cleared = $matter->history->cleared;
        $open = array_values(
            array_filter(
                $matter->history->sessions,
                static fn (LoggedSession $session): bool => $session->mustStop() && ($cleared === null || $cleared <= $session->date),
            ),
        );
        if ($open === []) {
            return null;
        }
        $all = array_filter($open, static fn (LoggedSession $session): bool => $session->stopsAll()) !== [];
        $newest = $open[count($open) - 1];
        $kind = $newest->stoppingKind();
        $on = $newest === $matter->history->last() ? '' : sprintf(' on %s', Writing::day($newest->date));

        return new Verdict(
            Decision::Stop,
            self::id(),
            null,
            null,
            [$kind !== null
                ? sprintf(
                    'The pain was %s%s: stop%s, and a clinician sees the client first.',
                    $kind->label(),
                    $on,
                    $all ? ' everything' : '',
                )
                : sprintf(
                    'Pain was %d%s, over %d: stop%s, and a clinician sees the client first.',
                    $newest->worstPain(),
                    $on,
                    LoggedSession::STOP_OVER,
                    $all ? ' everything' : '',
                )],
            ['A clearance of a later day: who, role, and what it allows.'],
            true,
            false,
            $all ? null : $matter->swap(),
            $all ? Verdict::ALL : Verdict::LADDER,
        );
    }
}
