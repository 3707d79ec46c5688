<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict\Rules;

use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Matter;
use EvenRungs\Core\Verdict\Rule;
use EvenRungs\Core\Verdict\Verdict;

final class Soreness implements Rule
{
    public static function id(): string
    {
        return 'soreness';
    }

    public static function sentence(): string
    {
        return 'A sore trunk, 4 or more, means no direct work today; other training may go on.';
    }

    public static function source(): string
    {
        return 'House rule.';
    }

    public function decide(Matter $matter): ?Verdict
    {
        $sore = $matter->last()->soreness ?? 0;
        if ($sore < LoggedSession::SORE_FROM) {
            return null;
        }

        return new Verdict(
            Decision::Stay,
            self::id(),
            $matter->history->position(),
            null,
            [sprintf('The trunk is sore at %d: no direct work today, other training may go on.', $sore)],
            [sprintf('Soreness under %d.', LoggedSession::SORE_FROM)],
        );
    }
}
