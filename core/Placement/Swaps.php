<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Category;
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
    /** @param  list<string>  $withoutLadders  ladders whose rungs are not offered, by the house style */
    public function __construct(private readonly Library $library, private readonly array $withoutLadders = [])
    {
    }

    /**
     * Swaps of the same direction; where there is none, those of another of the four directions, each saying that this one stays a gap.
     *
     * @return list<Swap> best first
     */
    public function for(Rung $rung, Client $client): array
    {
        $same = $this->sameDirection($rung, $client);
        $others = array_filter(Category::directions(), static fn (Category $each): bool => $each !== $rung->category);

        return $same !== [] ? $same : $this->ranked($rung, $client, array_values($others));
    }

    /** @return list<Swap> swaps that train the same category, best first */
    public function sameDirection(Rung $rung, Client $client): array
    {
        return $this->ranked($rung, $client, [$rung->category]);
    }

    /**
     * @param  list<Category>  $categories
     * @return list<Swap>
     */
    private function ranked(Rung $rung, Client $client, array $categories): array
    {
        $swaps = [];
        foreach ($this->library->rungs() as $candidate) {
            $top = 1 + ($this->known($client, $candidate) ?? $rung->level->value);
            if (
                $candidate === $rung
                || in_array($candidate->ladder, $this->withoutLadders, true)
                || ! in_array($candidate->category, $categories, true)
                || $candidate->level->value > $top
            ) {
                continue;
            }
            if (Obstacles::between($client, $candidate, $this->library)->isClear()) {
                $swaps[] = $this->swap($rung, $candidate);
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

    private function swap(Rung $rung, Rung $candidate): Swap
    {
        $same = $candidate->category === $rung->category;
        $new = array_values(array_diff(array_keys($candidate->stresses), array_keys($rung->stresses)));
        $difference = $candidate->level->value - $rung->level->value;
        $why = [
            $same ? sprintf('Trains %s too.', lcfirst($rung->category->label())) : sprintf(
                'Trains %s; %s stays a gap.',
                lcfirst($candidate->category->label()),
                lcfirst($rung->category->label()),
            ),
            match (true) {
                $difference === 0 => 'The same level.',
                default => sprintf(
                    '%d %s %s.',
                    abs($difference),
                    abs($difference) === 1 ? 'level' : 'levels',
                    $difference < 0 ? 'easier' : 'harder',
                ),
            },
        ];
        foreach ($new as $stress) {
            $why[] = sprintf('Adds %s.', lcfirst($this->library->stresses[$stress]->name));
        }

        return new Swap($candidate, $same, $new, $why);
    }

    /**
     * What is typed for the direction of a rung; where nothing is, where the client stands on its ladder or was tested; null where nobody
     * knows.
     */
    private function known(Client $client, Rung $candidate): ?int
    {
        $clean = $client->tests->ladders[$candidate->ladder] ?? null;

        return Shown::by($client)->abilityIn($candidate->category)->value
            ?? ($client->standings[$candidate->ladder] ?? null)?->rung->level->value
            ?? $clean?->lower($this->library->ladder($candidate->ladder))->level->value;
    }
}
