<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Models\LoggedSession as SessionRow;
use App\Models\Trainer;
use App\Support\StaleVersion;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Facades\DB;

/**
 * Writes a log anew; as it was before is kept.
 */
final class EditLog
{
    public function __construct(private readonly Logs $logs)
    {
    }

    /**
     * Writes a log anew; as it was before is kept.
     *
     * @throws UnusableInput at the field
     * @throws StaleVersion when somebody else changed it since
     */
    public function as(Client $client, Trainer $trainer, int $session, Node $body): void
    {
        $rows = $this->logs->documents->read($body);
        DB::transaction(function () use ($client, $trainer, $session, $body, $rows): void {
            $row = SessionRow::query()->ofClient($client)->whereKey($session)->locked()->firstOrFail();
            if ($row->revision !== $body->int('revision')) {
                throw new StaleVersion(['log' => $this->logs->documents->write($row, $this->logs->setsOf($row))]);
            }
            $this->logs->remember($client, $trainer, $row, 'edited');
            $this->logs->put(
                $client,
                $trainer,
                $row->key,
                $row,
                $rows->with([
                    ...array_filter(
                        [
                            'planned' => $rows->planned() ?? $row->planned,
                            'signs' => $rows->session['signs'] ?? $row->signs,
                            'readiness' => $rows->session['readiness'] ?? $row->readiness,
                        ],
                        static fn (mixed $value): bool => $value !== null,
                    ),
                    'revision' => $row->revision + 1,
                    'edited' => true,
                    'open' => false,
                ]),
            );
        });
    }
}
