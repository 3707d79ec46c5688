<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\LimitRule;
use EvenRungs\Core\Ladder\Rung;

/**
 * What stands around a rung where no client is meant: easier, harder, and the same direction without what is sore.
 */
final class Alternatives
{
    public function __construct(private readonly Library $library)
    {
    }

    /** @return list<Rung> of the same direction: the ladder's own rung below, then those of other ladders, nearest in level first */
    public function easier(Rung $rung): array
    {
        return $this->beside($rung, -1);
    }

    /** @return list<Rung> of the same direction: the ladder's own rung above, then those of other ladders, nearest in level first */
    public function harder(Rung $rung): array
    {
        return $this->beside($rung, 1);
    }

    /**
     * Swaps of the same direction with one limit, taken as moderate; all kit is to hand and every gate is met.
     *
     * @return list<Swap> best first
     */
    public function sparing(Rung $rung, LimitRule $rule): array
    {
        $shown = [];
        foreach ($this->library->ladders as $ladder) {
            $shown[$ladder->id] = $ladder->rungs[count($ladder->rungs) - 1]->id;
        }
        $sore = new Client('', limits: [new Limit($rule)], equipment: array_keys($this->library->equipment), shown: $shown);

        return (new Swaps($this->library))->sameDirection($rung, $sore);
    }

    /**
     * @param  -1|1  $way
     * @return list<Rung>
     */
    private function beside(Rung $rung, int $way): array
    {
        $ladder = $this->library->ladderOf($rung);
        $own = $ladder->rungs[(int) $ladder->indexOf($rung->id) + $way] ?? null;
        $others = array_values(
            array_filter(
                $this->library->rungs(),
                static fn (Rung $each): bool => $each->ladder !== $rung->ladder && $each->category === $rung->category && (
                    $each->level->value - $rung->level->value
                ) * $way > 0,
            ),
        );
        usort(
            $others,
            static fn (Rung $a, Rung $b): int => [
                abs($a->level->value - $rung->level->value),
                $a->id,
            ] <=> [abs($b->level->value - $rung->level->value), $b->id],
        );

        return $own === null ? $others : [$own, ...$others];
    }
}
