<?php

declare(strict_types=1);

namespace EvenRungs\Core\Body;

enum Urgency: string
{
    case Emergency = 'emergency';
    case Prompt = 'prompt';
    case BeforeLoad = 'before-load';
}
