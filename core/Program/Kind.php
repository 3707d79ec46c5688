<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

enum Kind: string
{
    case Standalone = 'standalone';
    case AfterLift = 'after-lift';
    case BeforeLift = 'before-lift';
    case AfterSport = 'after-sport';
    case Activation = 'activation';
}
