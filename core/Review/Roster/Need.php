<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Roster;

/**
 * What a client may need from the trainer; the most urgent first.
 */
enum Need: string
{
    case Stop = 'stop';
    case Refer = 'refer';
    case Pain = 'pain';
    case Decision = 'decision';
    case Screen = 'screen';
    case Kept = 'kept';
    case Stuck = 'stuck';
    case Retest = 'retest';
    case Unseen = 'unseen';

    /** 0 for the most urgent. */
    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
