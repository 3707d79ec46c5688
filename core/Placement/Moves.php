<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Where a client can go from a rung: to the next one that nothing stands in the way of, up or down. Safety, kit and gates come
 * first, then what the goal and the house style leave out.
 */
final class Moves
{
    /**
     * @param  ?GoalRule  $goal  null where no goal is meant
     * @param  ?Style  $style  null where no house style is meant
     */
    public function __construct(
        private readonly Library $library,
        private readonly ?GoalRule $goal = null,
        private readonly ?Style $style = null,
    ) {
    }

    public function isOpen(Rung $rung, Client $client): bool
    {
        return $this->isMeant($rung) && Obstacles::between($client, $rung, $this->library)->isClear();
    }

    /** Whether the goal and the style have it. */
    public function isMeant(Rung $rung): bool
    {
        return ($this->goal === null || ($this->goal->allows($rung) && ! in_array($rung->category, $this->goal->without, true)))
            && ! in_array($rung->id, $this->style->plan->withoutRungs ?? [], true);
    }

    /** The nearest open rung above, or null at the top or where nothing above is open. */
    public function up(Rung $from, Client $client): ?Rung
    {
        return $this->firstOpen($this->library->ladderOf($from)->above($from), $client);
    }

    /**
     * The rung that follows the last step of one: the nearest open one, or in styles of thirty seconds and then movement the nearest
     * open one that moves, where that is within one level.
     */
    public function next(Rung $from, Client $client): ?Rung
    {
        $next = $this->up($from, $client);
        if (! ($this->style->plan->thenMove ?? false) || $from->range !== null) {
            return $next;
        }
        foreach ($this->library->ladderOf($from)->above($from) as $rung) {
            if ($rung->range !== null && $rung->level->value <= $from->level->value + 1 && $this->isOpen($rung, $client)) {
                return $rung;
            }
        }

        return $next;
    }

    /** The nearest open rung below, or null at the bottom or where nothing below is open. */
    public function down(Rung $from, Client $client): ?Rung
    {
        return $this->firstOpen(array_slice($this->library->ladderOf($from)->downFrom($from), 1), $client);
    }

    /** @param  list<Rung>  $rungs nearest first */
    private function firstOpen(array $rungs, Client $client): ?Rung
    {
        foreach ($rungs as $rung) {
            if ($this->isOpen($rung, $client)) {
                return $rung;
            }
        }

        return null;
    }
}
