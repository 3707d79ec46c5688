<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;

/**
 * Where a client who stands on a rung lands when its ladder changes: on the same rung where it is still there and allowed,
 * else on the nearest allowed one below, else above, else on a swap that trains the same. Never on nothing while
 * something is allowed.
 */
final class Landing
{
    /**
     * @param  ?Rung  $rung  null where nothing that trains the same is allowed
     * @param  int  $step  step of its dose, 0 the start
     */
    private function __construct(public readonly ?Rung $rung, public readonly int $step, public readonly string $why)
    {
    }

    /**
     * @param  Ladder  $before  the ladder as it was
     * @param  Steps  $steps  of the client in the style
     * @param  Library  $after  the library as it becomes
     */
    public static function of(Rung $from, int $step, Ladder $before, Library $after, Client $client, Steps $steps): self
    {
        if (self::open($from->id, $after, $client)) {
            $rung = $after->rung($from->id);
            $kept = $steps->clamp($rung, $step);

            return new self(
                $rung,
                $kept,
                $kept === $step ? 'Stays.' : sprintf('The rung has %d doses now: on its last.', count($steps->of($rung))),
            );
        }
        foreach ([[array_slice($before->downFrom($from), 1), 'below'], [$before->above($from), 'above']] as [$rungs, $where]) {
            foreach ($rungs as $rung) {
                if (self::open($rung->id, $after, $client)) {
                    return new self($after->rung($rung->id), 0, sprintf('The nearest allowed rung %s.', $where));
                }
            }
        }
        $swap = (new Swaps($after))->sameDirection($from, $client)[0]->rung ?? null;

        return new self(
            $swap,
            0,
            $swap === null ? 'Nothing else that trains the same is allowed.' : 'Nothing of the ladder is allowed; this trains the same.',
        );
    }

    private static function open(string $rung, Library $library, Client $client): bool
    {
        return $library->hasRung($rung) && Obstacles::between($client, $library->rung($rung), $library)->isClear();
    }
}
