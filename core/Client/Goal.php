<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

enum Goal: string
{
    case General = 'general';
    case Rehab = 'rehab';
    case Strength = 'strength';
    case EnduranceSport = 'endurance-sport';
    case RotationalSport = 'rotational-sport';
    case Youth = 'youth';
    case HealthyAgeing = 'healthy-ageing';
}
