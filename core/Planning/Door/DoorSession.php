<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Door;

use EvenRungs\Core\Program\Session;

/**
 * What remains of a session at the door.
 */
final class DoorSession
{
    /**
     * @param  ?Session  $session  null where nothing of it is done today
     * @param  list<DoorChange>  $changes
     * @param  bool  $refers  a clinician must see the client first
     * @param  ?string  $why  no session remains
     */
    public function __construct(
        public readonly ?Session $session,
        public readonly array $changes,
        public readonly bool $refers = false,
        public readonly ?string $why = null,
    ) {
    }
}
