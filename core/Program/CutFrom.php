<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Ladder\Library;

/**
 * What went of a planned session, and what that costs.
 */
final class CutFrom
{
    public function __construct(private readonly Session $session, private readonly Library $library)
    {
    }

    /**
     * What went of the planned session, in its order.
     *
     * @return list<array{string, string}> what, and what it costs
     */
    public function lost(Session $left): array
    {
        $there = $left->entries();
        $lost = [];
        foreach ($this->session->blocks as $b => $block) {
            $kept = [];
            foreach ($block->entries() as $entry) {
                $name = $this->library->find($entry->exercise)->name ?? $entry->exercise;
                $i = 0;
                while (isset($there[$i]) && $there[$i]->exercise !== $entry->exercise) {
                    $i++;
                }
                if (! isset($there[$i])) {
                    $lost[] = [$name, $this->costOf($entry)];

                    continue;
                }
                $kept[] = $entry;
                $sets = $there[$i]->dose->sets;
                array_splice($there, $i, 1);
                if ($sets < $entry->dose->sets) {
                    $lost[] = [
                        sprintf('%s: %d of %d sets', $name, $sets, $entry->dose->sets),
                        sprintf('%d of %d sets', $entry->dose->sets - $sets, $entry->dose->sets),
                    ];
                }
            }
            $rounds = $block instanceof CircuitBlock && $kept !== [] ? array_values(
                array_filter(
                    $left->blocks,
                    static fn (Block $each): bool => $each instanceof CircuitBlock && (
                        $each->entries()[0]->exercise ?? ''
                    ) === $kept[0]->exercise,
                ),
            ) : [];
            if (
                $block instanceof CircuitBlock
                && $rounds !== []
                && $rounds[0] instanceof CircuitBlock
                && $rounds[0]->rounds < $block->rounds
            ) {
                $lost[] = [
                    sprintf('The circuit: %d of %d rounds', $rounds[0]->rounds, $block->rounds),
                    sprintf('%d of %d rounds', $block->rounds - $rounds[0]->rounds, $block->rounds),
                ];
            }
        }

        return $lost;
    }

    private function costOf(Entry $entry): string
    {
        $category = $this->library->find($entry->exercise)?->category;
        $of = array_filter(
            $this->session->entries(),
            fn (Entry $each): bool => $this->library->find($each->exercise)?->category === $category,
        );

        return match (true) {
            $category === null || ! $category->isDirection() => 'nothing of the four directions',
            count($of) > 1 => sprintf('one of %d exercises of %s', count($of), lcfirst($category->label())),
            default => sprintf('all of %s', lcfirst($category->label())),
        };
    }
}
