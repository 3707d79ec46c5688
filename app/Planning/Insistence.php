<?php

declare(strict_types=1);

namespace App\Planning;

use DateTimeImmutable;
use EvenRungs\Core\Planning\Edit\Allowed;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Writing;

/**
 * What a trainer keeps in a program although something forbids it: the reason, who, and when. It stands with the entry until that is gone.
 */
final class Insistence
{
    private function __construct(private readonly string $why, private readonly string $by, private readonly string $on)
    {
    }

    public static function of(Entry $entry): ?self
    {
        $kept = $entry->x->get(Allowed::INSISTED);

        return is_array($kept) && is_string($kept['why'] ?? null) && is_string($kept['by'] ?? null) && is_string($kept['on'] ?? null)
            ? new self(
                $kept['why'],
                $kept['by'],
                $kept['on'],
            ) : null;
    }

    public static function on(Entry $entry, string $why, string $by, string $on): Entry
    {
        return new Entry(
            $entry->exercise,
            $entry->dose,
            $entry->note,
            $entry->planned,
            $entry->x->with(Allowed::INSISTED, ['why' => $why, 'by' => $by, 'on' => $on]),
        );
    }

    public function words(): string
    {
        return sprintf('Kept by %s on %s: %s', $this->by, Writing::day(new DateTimeImmutable($this->on)), $this->why);
    }
}
