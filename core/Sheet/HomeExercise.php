<?php

declare(strict_types=1);

namespace EvenRungs\Core\Sheet;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;

/**
 * What somebody who trains alone is told of an exercise: the one thing to watch, and what is easier today.
 */
final class HomeExercise
{
    /** The cue for its main fault, which stands first. */
    public readonly string $watch;

    /** The nearest rung below that this client may do and that loads nothing more; null where there is none, and less range is left. */
    public readonly ?Rung $easier;

    public function __construct(public readonly Rung $rung, Client $client, Library $library)
    {
        $this->watch = $rung->coaching()->cues[0]->say ?? '';
        $below = array_slice($library->ladderOf($rung)->downFrom($rung), 1);
        $open = array_filter(
            $below,
            static fn (Rung $each): bool => Obstacles::between($client, $each, $library)->isClear() && self::isGentler($each, $rung),
        );
        $this->easier = array_values($open)[0] ?? null;
    }

    /** Whether nothing is loaded more by one than by the other. */
    private static function isGentler(Rung $one, Rung $other): bool
    {
        foreach ($one->stresses as $stress => $grade) {
            if ($grade > $other->grade($stress)) {
                return false;
            }
        }

        return true;
    }
}
