<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;

/**
 * The program in use planned anew.
 */
final class PlanAnew
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
    ) {
    }

    /** Plans the program in use anew from where the client stands, as many weeks as it has. */
    public function from(Client $client, Trainer $trainer, int $version): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer): void {
            $program = $this->boards->program($locked);
            $planned = $this->planner->planned($locked, ClientPlanner::weeksOf($program));
            $this->ledger->recordProgram($locked, $trainer, 'Planned anew', $program, $planned);
            $this->ledger->store($locked, $planned);
        });
    }
}
