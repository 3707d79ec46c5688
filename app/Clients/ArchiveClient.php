<?php

declare(strict_types=1);

namespace App\Clients;

use App\Models\Client;
use App\Support\Ledger;
use Illuminate\Support\Carbon;

/**
 * A client put aside, or taken up again.
 */
final class ArchiveClient
{
    public function __construct(private readonly Ledger $ledger)
    {
    }

    public function as(Client $client, int $version, bool $archived): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($archived): void {
            $locked->archived_at = $archived ? Carbon::now() : null;
        });
    }
}
