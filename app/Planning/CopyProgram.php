<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Program as ProgramRow;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\Planning\Fit\FittedProgram;
use EvenRungs\Formats\UnusableInput;

/**
 * A program of another client for this one.
 */
final class CopyProgram
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
    ) {
    }

    /**
     * What a program of another client would be for this one. Nothing is stored.
     *
     *
     * @throws UnusableInput when this client may not be planned for
     */
    public function seen(Client $client, ProgramRow $program): FittedProgram
    {
        $this->planner->checkMayPlan($client);

        return $this->planner->fit($client)->to($this->boards->read($program), $this->boards->person($client));
    }

    /** Begins a program copied from another client. */
    public function to(Client $client, Trainer $trainer, int $version, ProgramRow $program): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $program): void {
            $this->ledger->replace($locked, $trainer, 'Program copied', PresentWeek::begun($this->seen($locked, $program)->program));
        });
    }
}
