<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

/**
 * What a day of the week is used for.
 */
enum DayUse: string
{
    case Free = 'free';
    case SwitchOn = 'switch-on';
    case Finisher = 'finisher';
    case Light = 'light';
    case Hard = 'hard';

    public function label(): string
    {
        return match ($this) {
            self::Free => 'no session',
            self::SwitchOn => 'a switch-on before the lift',
            self::Finisher => 'a short finisher after the lift',
            self::Light => 'a light session',
            self::Hard => 'a hard session',
        };
    }
}
