<?php

declare(strict_types=1);

namespace EvenRungs\Core;

/**
 * A name or place that nothing has: a rung, a ladder, a joint, an entry.
 */
final class UnknownName extends InvalidValue
{
}
