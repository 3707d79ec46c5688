<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/**
 * The database went away while it was told to keep what was written: it may have kept it or not.
 */
final class OutcomeUnknown extends RuntimeException
{
}
