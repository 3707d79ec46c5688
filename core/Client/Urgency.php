<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

enum Urgency: string
{
    case Emergency = 'emergency';
    case Prompt = 'prompt';
    case BeforeLoad = 'before-load';
}
