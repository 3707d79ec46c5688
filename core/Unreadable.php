<?php

declare(strict_types=1);

namespace EvenRungs\Core;

/**
 * Text that cannot be read as what it should be.
 */
final class Unreadable extends InvalidValue
{
}
