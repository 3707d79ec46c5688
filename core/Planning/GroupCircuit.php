<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Placement\Swaps;

/**
 * One clock for a small group, own rungs: everybody works at the same stations for the same time, each on the rung and dose where they
 * stand on the station's ladder. What a limit bars, or kit or a gate forbids, is swapped for what trains the same direction.
 */
final class GroupCircuit
{
    public function __construct(private readonly Swaps $swaps, private readonly DoseChooser $doses)
    {
    }

    /**
     * @param  list<GroupMember>  $members
     * @return list<GroupPlace> one for each member, in their order
     */
    public function station(Ladder $ladder, array $members): array
    {
        return array_map(fn (GroupMember $member): GroupPlace => $this->place($ladder, $member), $members);
    }

    private function place(Ladder $ladder, GroupMember $member): GroupPlace
    {
        $placement = $member->placements[$ladder->id] ?? null;
        if ($placement?->rung !== null) {
            [$dose, $why] = $this->doses->choose($placement->rung, $placement->step, $member->client);

            return new GroupPlace($member->id, $placement->rung, $dose, false, [...$placement->why, ...$why]);
        }
        $barred = $placement === null ? [] : $placement->why;
        $swap = $this->swaps->sameDirection($ladder->rungs[0], $member->client)[0] ?? null;
        foreach ($member->placements as $other) {
            if ($other->rung !== null && $other->ladder->category === $ladder->category) {
                [$dose, $why] = $this->doses->choose($other->rung, $other->step, $member->client);

                return new GroupPlace($member->id, $other->rung, $dose, true, [...$barred, sprintf('%s trains the same.', $other->rung->name), ...$why]);
            }
        }
        if ($swap !== null) {
            [$dose, $why] = $this->doses->choose($swap->rung, 0, $member->client);

            return new GroupPlace($member->id, $swap->rung, $dose, true, [...$barred, ...$swap->why, ...$why]);
        }

        return new GroupPlace($member->id, null, null, false, [...$barred, sprintf('Nothing that is allowed trains %s: rest here, and it stays a gap.', lcfirst($ladder->category->label()))]);
    }
}
