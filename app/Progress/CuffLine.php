<?php

declare(strict_types=1);

namespace App\Progress;

use App\Support\DeviceLine;

/**
 * The pressure cuff at the end of a local line. docs/cuff.md tells what is spoken.
 */
final class CuffLine
{
    public function __construct(private readonly DeviceLine $line)
    {
    }

    /** @return ?float millimetres of mercury; null where nothing answers */
    public function read(): ?float
    {
        return preg_match('/^(\d{1,3}(?:\.\d+)?) mmHg$/', $this->line->ask('READ') ?? '', $found) === 1 ? (float) $found[1] : null;
    }

    public function name(): ?string
    {
        return $this->line->ask('NAME');
    }

    /** Only the simulated cuff: what it plays from now on. */
    public function play(string $what): bool
    {
        return $this->line->ask('PLAY '.$what) === 'OK';
    }
}
