<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Storage\DataFolder;

/**
 * A stop of one ladder.
 */
final class HaltLadder
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
    ) {
    }

    /** Takes a stopped ladder out of the weeks ahead; what spares it stands in where there is one. */
    public function of(Client $client, Trainer $trainer, int $version, string $ladder, ?Rung $swap): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $ladder, $swap): void {
            $program = $this->boards->program($locked);
            if ($program === null) {
                return;
            }
            [$edited] = $this->planner->refitted(
                $this->planner->edit($locked)->instead($program, $ladder, $swap),
                $this->boards->person($locked),
            );
            $label = sprintf(
                '%s stopped%s',
                $this->data->library()->ladder($ladder)->name,
                $swap === null ? '' : ', '.lcfirst($swap->name).' in its place',
            );
            $this->ledger->record(
                $locked,
                $trainer,
                $label,
                $this->ledger->state($locked, $program),
                $this->ledger->state($locked, $edited),
            );
            $this->ledger->store($locked, $edited);
        });
    }
}
