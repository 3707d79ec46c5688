<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Fit;

/**
 * Everything that changes while a program is made to fit, written down as it happens.
 */
final class FitNotes
{
    /** @var list<FitChange> */
    public array $changes = [];

    /** @var list<FitChange> */
    public array $leftOut = [];

    public function changed(string $where, string $from, ?string $to, string ...$why): void
    {
        $this->changes[] = new FitChange($where, $from, $to, array_values($why));
    }

    public function leftOut(string $where, string $exercise, string ...$why): void
    {
        $this->leftOut[] = new FitChange($where, $exercise, null, array_values($why));
    }
}
