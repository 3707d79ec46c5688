<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Aim;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Role;
use EvenRungs\Core\Planning\Order\DraftItem;

/**
 * An exercise that may stand in a session, with what one set of it takes and trains. Times in milliseconds.
 */
final class Candidate
{
    /** Place among the four directions; null for what is no direction. */
    public readonly ?int $direction;

    public readonly string $ladder;

    /** Place of its role. */
    public readonly int $role;

    /** Work of a set. */
    public readonly int $workMs;

    /** @var list<int> work of a set that counts for each direction: half where it is trained by the way */
    public readonly array $countsMs;

    /**
     * @param  DraftItem  $item  with one set
     * @param  int  $setMs  a set, changes of side and breaks in it
     * @param  int  $restMs  after a set
     * @param  int  $less  points that it is worth less than the best that could come in its place
     */
    public function __construct(
        public readonly DraftItem $item,
        public readonly int $setMs,
        public readonly int $restMs,
        public readonly int $less,
    ) {
        $rung = $item->choice->rung;
        $place = array_search($rung->category, Category::directions(), true);
        $this->direction = $place === false ? null : $place;
        $this->ladder = $rung->ladder;
        $this->role = (int) array_search($rung->role, Role::cases(), true);
        $this->workMs = $item->dose->tension()->ms;
        $this->countsMs = array_map(fn (Category $each): int => match (true) {
            $each === $rung->category => $this->workMs,
            in_array($each, $rung->also, true) => intdiv($this->workMs, 2),
            default => 0,
        }, Category::directions());
    }
}
