<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

enum TrainingType: string
{
    case HeavyLift = 'heavy-lift';
    case LightLift = 'light-lift';
    case Endurance = 'endurance';
    case SkillSport = 'skill-sport';
    case Rest = 'rest';
}
