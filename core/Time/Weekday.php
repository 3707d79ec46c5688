<?php

declare(strict_types=1);

namespace EvenRungs\Core\Time;

enum Weekday: string
{
    case Monday = 'mon';
    case Tuesday = 'tue';
    case Wednesday = 'wed';
    case Thursday = 'thu';
    case Friday = 'fri';
    case Saturday = 'sat';
    case Sunday = 'sun';

    /** Monday 0 to Sunday 6. */
    public function number(): int
    {
        return (int) array_search($this, self::cases(), true);
    }

    public function label(): string
    {
        return $this->name;
    }
}
