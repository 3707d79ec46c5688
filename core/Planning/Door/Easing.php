<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Door;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Measure;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;

/**
 * Less of an exercise, as pain from 3 to 5 asks for: the first step of its rung, or, from there, that of the next rung below that is
 * allowed.
 */
final class Easing
{
    public function __construct(private readonly Library $library, private readonly Steps $steps)
    {
    }

    /**
     * @param  Measure  $now  what is asked of one set
     * @param  array<string, true>  $used  rungs that are in the session already
     * @return Rung|null the rung whose first step is done instead; null where nothing less is left, or both cannot be compared
     */
    public function of(Rung $rung, Measure $now, Client $today, array $used = []): ?Rung
    {
        $start = $this->steps->of($rung)[0]->measure;
        if (! Steps::isAtMost($start, $now) && ! Steps::isAtMost($now, $start)) {
            return null;
        }
        if (! Steps::isAtMost($now, $start)) {
            return $rung;
        }
        foreach (array_slice($this->library->ladderOf($rung)->downFrom($rung), 1) as $below) {
            if (! isset($used[$below->id]) && Obstacles::between($today, $below, $this->library)->isClear()) {
                return $below;
            }
        }

        return null;
    }
}
