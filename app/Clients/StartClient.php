<?php

declare(strict_types=1);

namespace App\Clients;

use App\Models\Client;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use App\Planning\ClientPlanner;
use App\Support\Ledger;
use App\Support\Standings;
use App\Support\StudioDay;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Formats\Node;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Facades\DB;

/**
 * A new client placed and planned.
 */
final class StartClient
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly Standings $standings,
        private readonly ClientPlanner $planner,
        private readonly Screening $screening,
    ) {
    }

    /** Places a new client on every ladder and plans the first week where that is allowed. Cannot be undone. */
    public function of(Client $client, ?Trainer $trainer = null): void
    {
        DB::transaction(function () use ($client, $trainer): void {
            $person = $this->boards->person($client);
            foreach ((new Placer($this->data->library(), $this->boards->style($client)))->place($person) as $placement) {
                $this->standings->placed($client, $placement, $person);
            }
            $this->screening->keep(
                $client,
                $trainer,
                $this->data->storedClients()->read(new Node($client->document)),
                false,
                StudioDay::today()->toDateString(),
            );
            $this->ledger->store($client, $this->planner->plannedIfAllowed($client, ClientPlanner::USUAL_WEEKS));
        });
    }
}
