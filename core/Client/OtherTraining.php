<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use EvenRungs\Core\Time\Weekday;

/**
 * What else the client does on a day.
 */
final class OtherTraining
{
    public function __construct(public readonly Weekday $day, public readonly TrainingType $type)
    {
    }
}
