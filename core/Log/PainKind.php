<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

enum PainKind: string
{
    case Ordinary = 'ordinary';
    case Familiar = 'familiar';
    case Sharp = 'sharp';
    case Spreading = 'spreading';
    case Numb = 'numb';
    case GivingWay = 'giving-way';

    /** Stops training at once, however little it hurts. */
    public function stops(): bool
    {
        return ! in_array($this, [self::Ordinary, self::Familiar], true);
    }

    /** Stops the whole plan, and not only the ladder on which it was felt. */
    public function stopsAll(): bool
    {
        return in_array($this, [self::Spreading, self::Numb, self::GivingWay], true);
    }

    public function label(): string
    {
        return $this === self::GivingWay ? 'giving way' : $this->value;
    }

    /** What the client has, as it follows "stopped:". */
    public function symptom(): string
    {
        return match ($this) {
            self::Numb => 'numbness',
            self::GivingWay => 'giving way',
            default => $this->value.' pain',
        };
    }
}
