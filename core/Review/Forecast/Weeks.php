<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Forecast;

/**
 * A range of weeks from today.
 */
final class Weeks
{
    /** @param  ?int  $latest  null beyond two years */
    public function __construct(public readonly int $soonest, public readonly ?int $latest)
    {
    }
}
