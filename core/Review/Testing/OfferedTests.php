<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Testing;

use EvenRungs\Core\Client\Bar;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Placement;

/**
 * Which tests a client may do. A test loads what it loads, held to the limit; what a limit bars is not offered, and climbing a ladder of
 * the same direction stands in for it, without norm and without ratio.
 */
final class OfferedTests
{
    /**
     * @param  list<Placement>  $placements  of the client
     */
    public function __construct(private readonly Client $client, private readonly Library $library, private readonly array $placements)
    {
    }

    /**
     * @param  array<string, int>  $stresses  grade by stress
     * @return list<string> why the test is barred, in words; empty where it is offered
     */
    public function against(string $test, array $stresses): array
    {
        $bars = array_merge(
            [],
            ...array_map(static fn (Limit $limit): array => $limit->barsGrades($test, $stresses), $this->client->limits),
        );

        return array_map(
            fn (Bar $bar): string => sprintf(
                '%s: %s, grade %d',
                lcfirst($this->library->limits[$bar->limit]->name),
                lcfirst($this->library->stresses[$bar->stress]->name),
                $bar->grade,
            ),
            $bars,
        );
    }

    /** The highest ladder of a direction that the client may climb; null where there is none. */
    public function standIn(Category $direction): ?Placement
    {
        $found = null;
        foreach ($this->placements as $placement) {
            if (
                $placement->ladder->category === $direction
                && $placement->rung !== null
                && $placement->rung->level->value > ($found?->rung->level->value ?? 0)
            ) {
                $found = $placement;
            }
        }

        return $found;
    }
}
