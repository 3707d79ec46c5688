<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

enum Role: string
{
    case Brace = 'brace';
    case Compound = 'compound';
    case Isolation = 'isolation';
}
