<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\Program\Program;
use EvenRungs\Formats\UnusableInput;

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

    /** Plans the program in use anew from where the client stands, as many weeks as it has; what was typed or built by hand stays. */
    public function from(Client $client, Trainer $trainer, int $version): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer): void {
            $program = $this->boards->program($locked);
            $planned = $this->planner->plannedAnew($locked);
            $this->answered($locked, $trainer, 'Planned anew', $program, $planned);
            $this->ledger->store($locked, $planned);
        });
    }

    /** Keeps the program as it is, whatever changed since it was planned. */
    public function keep(Client $client, Trainer $trainer, int $version): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer): void {
            $program = $this->boards->program($locked) ?? throw UnusableInput::at('/', 'there is no program yet');
            $this->answered($locked, $trainer, 'Program kept as it is', $program, $program);
        });
    }

    private function answered(Client $locked, Trainer $trainer, string $label, ?Program $before, Program $after): void
    {
        $asked = $locked->plan_asked;
        $locked->plan_asked = null;
        $this->ledger->record(
            $locked,
            $trainer,
            $label,
            [...$this->ledger->state($locked, $before), 'plan_asked' => $asked],
            [...$this->ledger->state($locked, $after), 'plan_asked' => null],
        );
    }
}
