<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Group;

use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Planning\Door\Easing;
use EvenRungs\Core\Style\Style;

/**
 * One clock for a small group, own rungs: everybody works at the same stations for the same time, each on the rung and dose where they
 * stand on the station's ladder. What a limit bars, or kit or a gate forbids, is swapped for what trains the same direction; pain and a
 * sore trunk do what they do at the door.
 */
final class GroupCircuit
{
    /** Stations that one circuit of a group may have (house rule). */
    public const MOST_STATIONS = 12;

    public function __construct(private readonly Library $library, private readonly Swaps $swaps, private readonly Style $style)
    {
    }

    /**
     * @param  list<GroupMember>  $members
     * @return list<GroupPlace> one for each member, in their order
     */
    public function station(Ladder $ladder, array $members): array
    {
        return array_map(fn (GroupMember $member): GroupPlace => $this->today($this->usual($ladder, $member), $member), $members);
    }

    /** What was said on arrival makes less of it, or leaves it out. Whoever it stops is in no group: that is asked before. */
    private function today(GroupPlace $usual, GroupMember $member): GroupPlace
    {
        if ($usual->rung === null || $usual->dose === null) {
            return $usual;
        }
        $spared = $member->said->spares($usual->rung);
        if ($spared !== null) {
            return new GroupPlace($member->id, null, null, false, [$spared.' Rest here.']);
        }
        $less = $member->said->less();
        $steps = new Steps($this->style, $member->client);
        $to = $less === null ? null : (new Easing($this->library, $steps))->of($usual->rung, $usual->dose->measure, $member->client);

        return $less === null || $to === null ? $usual : new GroupPlace(
            $member->id,
            $to,
            $steps->dose($to, 0)->withSets(1),
            $usual->swapped,
            [...$usual->why, $less],
        );
    }

    private function usual(Ladder $ladder, GroupMember $member): GroupPlace
    {
        $placement = $member->placements[$ladder->id] ?? null;
        $steps = new Steps($this->style, $member->client);
        if ($placement?->rung !== null) {
            return new GroupPlace(
                $member->id,
                $placement->rung,
                $steps->dose($placement->rung, $placement->step, $placement->range)->withSets(1),
                false,
                [...$placement->why, ...$steps->why($placement->rung, $placement->step, $placement->range)],
            );
        }
        $barred = $placement === null ? [] : $placement->why;
        $swap = $this->swaps->sameDirection($ladder->rungs[0], $member->client)[0] ?? null;
        foreach ($member->placements as $other) {
            if ($other->rung !== null && $other->ladder->category === $ladder->category) {
                return new GroupPlace(
                    $member->id,
                    $other->rung,
                    $steps->dose($other->rung, $other->step, $other->range)->withSets(1),
                    true,
                    [
                        ...$barred,
                        sprintf('%s trains the same.', $other->rung->name),
                        ...$steps->why($other->rung, $other->step, $other->range),
                    ],
                );
            }
        }
        if ($swap !== null) {
            return new GroupPlace(
                $member->id,
                $swap->rung,
                $steps->dose($swap->rung, 0)->withSets(1),
                true,
                [...$barred, ...$swap->why, ...$steps->why($swap->rung, 0)],
            );
        }

        return new GroupPlace(
            $member->id,
            null,
            null,
            false,
            [...$barred, sprintf('Nothing that is allowed trains %s: rest here, and it stays a gap.', lcfirst($ladder->category->label()))],
        );
    }
}
