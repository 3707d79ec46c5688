<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use EvenRungs\Core\Time\Weekday;

/**
 * The days a client trains at home, and the kit that is there.
 */
final class Home
{
    /**
     * @param  list<Weekday>  $days
     * @param  list<string>  $equipment  kit ids
     */
    public function __construct(public readonly array $days, public readonly array $equipment)
    {
    }
}
