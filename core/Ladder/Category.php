<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * What an exercise trains the trunk to do. AE, AF, AL and AR are the four directions that every balanced week covers.
 */
enum Category: string
{
    case Bracing = 'BR';
    case AntiExtension = 'AE';
    case AntiFlexion = 'AF';
    case AntiLateralFlexion = 'AL';
    case AntiRotation = 'AR';
    case Hip = 'HP';
    case ShoulderGirdle = 'SG';
    case Integrated = 'IN';
    case TrunkMovement = 'TM';

    /** @return list<self> the four directions, in the order they are shown */
    public static function directions(): array
    {
        return [self::AntiExtension, self::AntiFlexion, self::AntiLateralFlexion, self::AntiRotation];
    }

    public function isDirection(): bool
    {
        return in_array($this, self::directions(), true);
    }

    public function label(): string
    {
        return match ($this) {
            self::Bracing => 'Bracing and breathing',
            self::AntiExtension => 'Anti-extension',
            self::AntiFlexion => 'Anti-flexion',
            self::AntiLateralFlexion => 'Anti-lateral-flexion',
            self::AntiRotation => 'Anti-rotation',
            self::Hip => 'Hip and pelvic stability',
            self::ShoulderGirdle => 'Shoulder-girdle stability',
            self::Integrated => 'Integrated',
            self::TrunkMovement => 'Trunk movement',
        };
    }

    /** What the trunk resists or trains, in a few words. */
    public function resists(): string
    {
        return match ($this) {
            self::Bracing => 'switching everything on and still breathing',
            self::AntiExtension => 'the low back arching',
            self::AntiFlexion => 'the low back rounding',
            self::AntiLateralFlexion => 'bending sideways',
            self::AntiRotation => 'twisting of the low back',
            self::Hip => 'the pelvis dropping or tilting',
            self::ShoulderGirdle => 'the blades winging or shrugging',
            self::Integrated => 'losing the brace under whole-body load',
            self::TrunkMovement => 'flexing and rotating on purpose',
        };
    }
}
