<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

/**
 * What goes first in a session after the switch-on.
 */
enum SetOrder: string
{
    case SkillFirst = 'skill-first';
    case StaticFirst = 'static-first';
    case HardestFirst = 'hardest-first';
    case CarryFirst = 'carry-first';
    /** Held before moving, and among these supported before free: the order of learners, kept before anything else. */
    case HeldAndSupportedFirst = 'held-supported-first';

    /** Whether the order goes before every other wish. */
    public function isStrict(): bool
    {
        return $this === self::HeldAndSupportedFirst;
    }
}
