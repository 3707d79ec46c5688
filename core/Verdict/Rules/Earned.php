<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict\Rules;

use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Matter;
use EvenRungs\Core\Verdict\Rule;
use EvenRungs\Core\Verdict\Verdict;

final class Earned implements Rule
{
    public static function id(): string
    {
        return 'earned';
    }

    public static function sentence(): string
    {
        return 'Clean sessions running, as many as the style says, earn one step: first the full range, then the dose, from the '
            .'last step one rung.';
    }

    public static function source(): string
    {
        return 'Common practice, no source; two sessions running after Haff GG, Triplett NT, eds, Essentials of Strength '
            .'Training and Conditioning, 4th ed. 2016, from memory.';
    }

    public function decide(Matter $matter): ?Verdict
    {
        $clean = $matter->qualifying->cleanRunning();
        if ($clean < $matter->style->cleanSessions || $matter->qualifying->daysMissing() > 0) {
            return null;
        }
        $history = $matter->history;
        $why = sprintf('%s running at this step.', $clean === 1 ? 'One clean session' : $clean.' clean sessions');
        $further = $matter->steps->further($history->rung, $history->step, $history->range);
        if ($further !== null) {
            return $matter->move(
                Decision::StepUp,
                self::id(),
                new Position($history->rung, ...$further),
                [$why.($history->range === null ? '' : ' More range before more dose.')],
            );
        }
        if ($matter->client?->holds($history->rung) === true) {
            return $matter->stay(
                self::id(),
                [$why.' The rung is held for evenness.'],
                ['The others come within a level, or the hold is let go.'],
            );
        }
        $next = $matter->above();
        if ($next === null) {
            return $matter->stay(self::id(), [$why.' Nothing that is allowed stands above.'], []);
        }

        return $matter->move(Decision::Progress, self::id(), new Position($next, 0), [$why.sprintf(' %s comes next.', $next->name)]);
    }
}
