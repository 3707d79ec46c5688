<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * What the pelvic floor or the belly wall says of a session that was too much (common practice, no source). Nobody moves up on it.
 */
enum Sign: string
{
    case Leak = 'leak';
    case Doming = 'doming';
    case Heaviness = 'heaviness';

    public function label(): string
    {
        return match ($this) {
            self::Leak => 'Leaking',
            self::Doming => 'The belly domes',
            self::Heaviness => 'Heaviness or dragging',
        };
    }
}
