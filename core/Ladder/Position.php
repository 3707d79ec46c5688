<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * How the body is placed. Position is not level: it groups a session so that people do not get up and down at every station.
 */
enum Position: string
{
    case Back = 'back';
    case Side = 'side';
    case Front = 'front';
    case AllFours = 'all-fours';
    case Kneeling = 'kneeling';
    case Seated = 'seated';
    case Standing = 'standing';
    case Hanging = 'hanging';

    /** From the floor up, for ordering a session. */
    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
