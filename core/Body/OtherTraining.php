<?php

declare(strict_types=1);

namespace EvenRungs\Core\Body;

use EvenRungs\Core\Session\Day;

/**
 * What else the client does on a day.
 */
final class OtherTraining
{
    public function __construct(public readonly Day $day, public readonly TrainingType $type)
    {
    }
}
