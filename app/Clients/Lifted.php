<?php

declare(strict_types=1);

namespace App\Clients;

use EvenRungs\Core\Client\Clearance as Allowed;
use EvenRungs\Storage\DataFolder;

/**
 * What a clearance lifts, by name: a flag, a limit, a stop, or the rule of monitored pain.
 */
final class Lifted
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    public function name(string $id): string
    {
        $library = $this->data->library();
        $ladder = str_starts_with($id, 'stop:') ? substr($id, 5) : '';

        return match (true) {
            $id === Allowed::STOP_OF_ALL => 'the stop of everything',
            $id === Allowed::MONITORED_PAIN => 'monitored pain',
            $library->hasLadder($ladder) => 'the stop of '.lcfirst($library->ladder($ladder)->name),
            default => $this->data->flags()[$id]->name ?? $library->limits[$id]->name ?? $id,
        };
    }
}
