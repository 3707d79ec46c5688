<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;

/**
 * Where a client can go from a rung: to the next one that nothing stands in the way of, up or down.
 */
final class Moves
{
    public function __construct(private readonly Library $library)
    {
    }

    /** The nearest allowed rung above, or null at the top or where nothing above is allowed. */
    public function up(Rung $from, Client $client): ?Rung
    {
        return $this->firstClear($this->library->ladderOf($from)->above($from), $client);
    }

    /** The nearest allowed rung below, or null at the bottom or where nothing below is allowed. */
    public function down(Rung $from, Client $client): ?Rung
    {
        return $this->firstClear(array_slice($this->library->ladderOf($from)->downFrom($from), 1), $client);
    }

    /** @param  list<Rung>  $rungs nearest first */
    private function firstClear(array $rungs, Client $client): ?Rung
    {
        foreach ($rungs as $rung) {
            if (Obstacles::between($client, $rung, $this->library)->isClear()) {
                return $rung;
            }
        }

        return null;
    }
}
