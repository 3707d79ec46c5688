<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\Planning\Week\Calendar;

/**
 * Another program in the place of the one in use.
 */
final class BeginProgram
{
    public function __construct(private readonly Ledger $ledger, private readonly ClientPlanner $planner)
    {
    }

    /**
     * Begins another program; the one in use is kept aside.
     *
     * @param  int  $weeks  1 to 12
     */
    public function of(Client $client, Trainer $trainer, int $version, int $weeks, Calendar $calendar = new Calendar): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $weeks, $calendar): void {
            $this->ledger->replace(
                $locked,
                $trainer,
                sprintf('New program of %s', $weeks === 1 ? 'one week' : $weeks.' weeks'),
                $this->planner->planned($locked, $weeks, $calendar),
            );
        });
    }
}
