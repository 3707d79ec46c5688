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
}
