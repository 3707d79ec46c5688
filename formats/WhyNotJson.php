<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Planning\WhyNot\Lift;
use EvenRungs\Core\Planning\WhyNot\WhyNotAnswer;

/**
 * Writes why a plan does not hold an exercise.
 */
final class WhyNotJson
{
    public function __construct(private readonly ClientJson $clients)
    {
    }

    /** @return array<string, mixed> */
    public function write(WhyNotAnswer $answer): array
    {
        return [
            'rung' => $answer->rung->id,
            'in_plan' => $answer->inPlan(),
            'where' => $answer->where,
            'reasons' => array_map(fn (Lift $lift): array => [
                'code' => $lift->code,
                'text' => $lift->text,
                'lift' => $this->edit($lift, $answer),
            ], $answer->reasons),
            'would_change' => $answer->wouldChange,
        ];
    }

    /** @return array<string, mixed>|null the part of the client's document as it would be */
    private function edit(Lift $lift, WhyNotAnswer $answer): ?array
    {
        if ($lift->edits === null) {
            return null;
        }
        $lifted = $this->clients->write($lift->from($answer->client, $answer->style)[0]);

        return [$lift->edits => $lifted[$lift->edits] ?? []];
    }
}
