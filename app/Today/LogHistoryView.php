<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Models\LogChange;
use App\Models\LoggedSession as SessionRow;
use App\Models\Trainer;
use EvenRungs\Formats\Node;
use Illuminate\Support\Collection;

/**
 * One log with who changed it, and the logs that were removed.
 */
final class LogHistoryView
{
    public function __construct(private readonly Logs $logs)
    {
    }

    /**
     * One log with everything that was recorded, and who changed it since.
     *
     * @return array<string, mixed>
     */
    public function one(Client $client, int $session): array
    {
        $row = SessionRow::query()->ofClient($client)->whereKey($session)->firstOrFail();
        $sets = $this->logs->setsOf($row);
        $trainers = Trainer::query()->where('studio_id', $client->studio_id)->pluck('name', 'id');

        return [
            'id' => $row->id,
            'revision' => $row->revision,
            'log' => $this->logs->documents->write($row, $sets),
            'units' => (object) $this->logs->documents->units($sets),
            'changes' => LogChange::query()->ofClient($client)->where(
                'key',
                $row->key,
            )->ordered('id', 'desc')->get()->map(static fn (LogChange $change): array => [
                'id' => $change->id,
                'what' => $change->what,
                'by' => $trainers[$change->trainer_id] ?? null,
                'at' => $change->created_at->toIso8601String(),
                'before' => $change->before,
            ])->all(),
        ];
    }

    /**
     * @param  Collection<int, LogChange>  $changes  that removed logs which are not back, the newest first
     * @return list<array<string, mixed>>
     */
    public function removed(Collection $changes): array
    {
        $removed = [];
        foreach ($changes as $change) {
            if (! isset($removed[$change->key])) {
                $before = new Node($change->before ?? []);
                $removed[$change->key] = [
                    'change' => $change->id,
                    'on' => $before->string('on'),
                    'sets' => count($before->opaque('sets') ?? []),
                    'at' => $change->created_at->toIso8601String(),
                ];
            }
        }

        return array_values($removed);
    }
}
