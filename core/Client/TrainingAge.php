<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

enum TrainingAge: string
{
    case New = 'new';
    case Some = 'some';
    case Long = 'long';
}
