<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Rung;

/**
 * The highest rung done with every form check ticked, on each side.
 */
final class HighestClean
{
    public function __construct(public readonly Rung $left, public readonly Rung $right)
    {
    }

    /** The lower of the two sides: it sets the rung. */
    public function lower(Ladder $ladder): Rung
    {
        return $this->worseSide($ladder) === 'left' ? $this->left : $this->right;
    }

    /** @return 'left'|'right'|null null when both sides are alike */
    public function worseSide(Ladder $ladder): ?string
    {
        return match ((int) $ladder->indexOf($this->left->id) <=> (int) $ladder->indexOf($this->right->id)) {
            -1 => 'left',
            1 => 'right',
            default => null,
        };
    }
}
