<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;

/**
 * Another house style for a client.
 */
final class FollowStyle
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
    ) {
    }

    /** Lets the client's plan follow another house style, and plans the week anew. */
    public function as(Client $client, Trainer $trainer, int $version, string $style): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $style): void {
            $this->planner->checkStyle($style);
            $old = $locked->style;
            $locked->style = $style;
            $program = $this->boards->program($locked);
            $planned = $this->planner->plannedIfAllowed($locked, ClientPlanner::weeksOf($program));
            if ($planned !== null) {
                $this->ledger->record(
                    $locked,
                    $trainer,
                    sprintf('Planned by %s', $this->boards->style($locked)->name),
                    [...$this->ledger->state($locked, $program), 'style' => $old],
                    [...$this->ledger->state($locked, $planned), 'style' => $style],
                );
                $this->ledger->store($locked, $planned);
            }
        });
    }
}
