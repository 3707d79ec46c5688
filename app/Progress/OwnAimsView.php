<?php

declare(strict_types=1);

namespace App\Progress;

use App\Models\Client;
use App\Models\OwnAim;
use App\Support\ClientRows;
use App\Support\StudioDay;

/**
 * A client's own aims that are not over.
 */
final class OwnAimsView
{
    /** @return list<array<string, mixed>> those that are not over, oldest first */
    public function of(Client $client): array
    {
        $today = StudioDay::today()->toDateTimeImmutable();

        return array_values(ClientRows::of($client)->aims()->map(static fn (OwnAim $row): array => [
            'id' => $row->id,
            'words' => $row->words,
            'scores' => $row->aim()->scores,
            'change' => $row->aim()->change(),
            'due' => $row->aim()->isDue($today),
            'says' => $row->aim()->says(),
        ])->all());
    }
}
