<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Program\Entry;

/**
 * An entry of a program with the rung that its name means and where it stands.
 */
final class AuditedEntry
{
    /**
     * @param  ?Rung  $rung  null where the name matches none
     * @param  int  $sets  a circuit's rounds, else the sets of the dose
     * @param  array{int, int, int, int}  $place  week, session, block and entry, from 0
     */
    public function __construct(
        public readonly Entry $entry,
        public readonly ?Rung $rung,
        public readonly int $sets,
        public readonly array $place,
    ) {
    }

    public function where(): string
    {
        return sprintf('/weeks/%d/sessions/%d/blocks/%d/entries/%d', ...$this->place);
    }

    public function name(): string
    {
        return $this->rung->name ?? $this->entry->exercise;
    }
}
