<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Models\LogChange;
use App\Models\Trainer;
use App\Support\Happened;
use App\Support\StaleVersion;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;

/**
 * Keeps a session that a device is running, again and again as it grows.
 */
final class KeepRun
{
    public function __construct(private readonly Logs $logs, private readonly Happened $happened)
    {
    }

    /**
     * Keeps a session that a device is running, again and again as it grows. An older revision than the one that is kept
     * changes nothing, so that what is sent twice or late doubles and undoes nothing.
     *
     * @return int the revision that is kept
     *
     * @throws UnusableInput at the field
     * @throws StaleVersion when somebody edited the log by hand since, unless the device writes over that
     */
    public function as(Client $client, Trainer $trainer, string $key, Node $body): int
    {
        $clock = DeviceClock::ofRun($body);
        $rows = $this->logs->documents->read($body, $clock?->on)->with($clock?->columns() ?? []);
        $revision = $body->int('revision');

        return $this->logs->once(function () use ($client, $trainer, $key, $body, $clock, $rows, $revision): int {
            $row = $this->logs->found($client, $key);
            if (! $body->bool('over')) {
                if ($row === null && $this->wasRemoved($client, $key)) {
                    throw new StaleVersion(['removed' => true]);
                }
                if ($row?->edited === true) {
                    throw new StaleVersion(['log' => $this->logs->documents->write($row, $this->logs->setsOf($row))]);
                }
                if ($row !== null && $row->revision >= $revision) {
                    return $row->revision;
                }
            }
            if ($row === null && ! $rows->saysAnything()) {
                return $revision;
            }
            $other = $body->bool('open') ? null : $this->logs->otherOf($client, $key, $rows);
            if ($other !== null) {
                $this->logs->join($client, $trainer, $other, $body);
                $row?->delete();

                return $revision;
            }
            if ($row?->edited === true) {
                $this->logs->remember($client, $trainer, $row, 'edited');
            }
            if ($row === null) {
                $this->happened->about(
                    $clock === null ? $rows->on() : sprintf(
                        '%s; the clock of the device said %s',
                        $rows->on(),
                        $clock->says,
                    ),
                );
            }
            $this->logs->put(
                $client,
                $trainer,
                $key,
                $row,
                $rows->with(['revision' => $revision, 'open' => $body->bool('open'), 'edited' => false]),
            );

            return $revision;
        });
    }

    private function wasRemoved(Client $client, string $key): bool
    {
        return LogChange::query()->ofClient($client)->where('key', $key)->exists();
    }
}
