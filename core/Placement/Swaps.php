<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;

/**
 * Finds what can stand in for a rung: nothing barred, all kit to hand, every gate met, and not more than one level
 * above the client's ability, or above the rung itself where the ability is not known.
 *
 * Ranked: smallest level difference, easier before harder, fewest new stresses, id.
 */
final class Swaps
{
    public function __construct(private readonly Library $library)
    {
    }

    /** @return list<Swap> swaps that train the same category, best first */
    public function sameDirection(Rung $rung, Client $client): array
    {
        $swaps = [];
        foreach ($this->library->rungs() as $candidate) {
            $top = 1 + ($client->abilityIn($candidate->category) ?? $rung->level)->value;
            if ($candidate === $rung || $candidate->category !== $rung->category || $candidate->level->value > $top) {
                continue;
            }
            if (Obstacles::between($client, $candidate, $this->library)->isClear()) {
                $swaps[] = new Swap($candidate, true, array_values(array_diff(array_keys($candidate->stresses), array_keys($rung->stresses))));
            }
        }
        $rank = static fn (Swap $swap): array => [
            abs($swap->rung->level->value - $rung->level->value),
            $swap->rung->level->value <=> $rung->level->value,
            count($swap->newStresses),
            $swap->rung->id,
        ];
        usort($swaps, static fn (Swap $a, Swap $b): int => $rank($a) <=> $rank($b));

        return $swaps;
    }
}
