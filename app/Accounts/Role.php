<?php

declare(strict_types=1);

namespace App\Accounts;

/**
 * What somebody may do in a studio.
 */
enum Role: string
{
    /** Everything, with every client and every person of the studio. */
    case Owner = 'owner';

    /** Everything with the clients that are theirs. */
    case Trainer = 'trainer';

    /** A clinician: reads the clients shared with them and records clearances, nothing else. */
    case Reader = 'reader';

    public function reaches(self $least): bool
    {
        $rank = static fn (self $role): int => match ($role) {
            self::Owner => 2,
            self::Trainer => 1,
            self::Reader => 0,
        };

        return $rank($this) >= $rank($least);
    }
}
