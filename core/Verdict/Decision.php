<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

enum Decision: string
{
    case Progress = 'progress';
    case StepUp = 'step-up';
    case Stay = 'stay';
    case StepDown = 'step-down';
    case Regress = 'regress';
    case Stop = 'stop';
}
