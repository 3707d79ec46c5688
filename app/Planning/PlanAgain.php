<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Change;
use App\Models\Client;
use App\Models\Program;
use App\Support\Ledger;

/**
 * After a change of the client that cannot be undone: the program planned anew, or kept aside where planning stops.
 */
final class PlanAgain
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
    ) {
    }

    public function of(Client $locked): void
    {
        Change::query()->ofClient($locked)->delete();
        $planned = $this->planner->plannedIfAllowed($locked, ClientPlanner::weeksOf($this->boards->program($locked)));
        if ($planned === null) {
            Program::query()->ofClient($locked)->update(['current' => false]);
        }
        $this->ledger->store($locked, $planned);
    }
}
