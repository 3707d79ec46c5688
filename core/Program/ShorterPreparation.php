<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Time\Seconds;

/**
 * Warm-up and cool-down where fewer minutes are left than planned: first as long as those minutes have them, then, half minute by half
 * minute, what is left over. A preparation that the trainer typed stays.
 */
final class ShorterPreparation
{
    /** @param  callable(Session, Library): ?Session  $cut  brings the exercises of a session inside the minutes */
    public static function of(Session $session, Seconds $budget, Library $library, callable $cut): ?Session
    {
        $planned = $session->prepared;
        if (! $planned->fills($session) || ! SessionTime::total($session, $library)->isLongerThan($budget)) {
            return $cut($session, $library);
        }
        $left = $cut($session->prepared($planned->within(...SessionShape::preparation($budget))), $library);
        $piece = Seconds::of(SessionShape::PREPARED_PIECE_S);
        while ($left !== null) {
            $longer = array_values(array_filter(
                [
                    $left->prepared($planned->within($left->warmUp->plus($piece), $left->coolDown)),
                    $left->prepared($planned->within($left->warmUp, $left->coolDown->plus($piece))),
                ],
                static fn (Session $each): bool => $each != $left && ! SessionTime::total($each, $library)->isLongerThan($budget),
            ));
            if ($longer === []) {
                break;
            }
            $left = $longer[0];
        }

        return $left;
    }
}
