<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Forecast;

use EvenRungs\Core\Ladder\Rung;

/**
 * A rung that lies ahead, and when it is likely.
 */
final class Expected
{
    /** @param  ?Weeks  $weeks  null with too little data */
    public function __construct(public readonly Rung $rung, public readonly ?Weeks $weeks)
    {
    }
}
