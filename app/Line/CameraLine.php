<?php

declare(strict_types=1);

namespace App\Line;

use App\Support\DeviceLine;

/**
 * A camera of the studio's at the end of a local line. docs/line.md tells what is spoken.
 */
final class CameraLine
{
    /** What the one that ships is called: it alone plays. */
    public const SIMULATED = 'Simulated camera';

    public function __construct(private readonly DeviceLine $line)
    {
    }

    /** @return ?string what it is called; null where nothing answers */
    public function name(): ?string
    {
        return $this->line->ask('NAME');
    }

    /** @return ?string what it sees now, as JPEG; null where nothing answers */
    public function frame(): ?string
    {
        return $this->line->bytes('FRAME');
    }

    /** Only the simulated camera: which rung it films, and what becomes of the line; the film starts again. */
    public function play(string $rung, string $what): bool
    {
        return $this->line->ask(sprintf('PLAY %s %s', $rung, $what)) === 'OK';
    }
}
