<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Planning\Fit\FitChange;
use EvenRungs\Core\Planning\Fit\FittedProgram;

/**
 * Writes a fitted program with everything that changed.
 */
final class FitJson
{
    public function __construct(private readonly ClientJson $clients)
    {
    }

    /** @return array<string, mixed> */
    public function write(FittedProgram $fitted): array
    {
        return [
            'program' => (new ProgramJson($this->clients))->write($fitted->program),
            'changes' => array_map(static fn (FitChange $change): array => [
                'where' => $change->where,
                'from' => $change->from,
                'to' => $change->to,
                'why' => implode(' ', $change->why),
            ], $fitted->changes),
            'left_out' => array_map(static fn (FitChange $change): array => [
                'where' => $change->where,
                'exercise' => $change->from,
                'why' => implode(' ', $change->why),
            ], $fitted->leftOut),
        ];
    }
}
