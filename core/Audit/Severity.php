<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

enum Severity: string
{
    case Error = 'error';
    case Warn = 'warn';
    case Note = 'note';
}
