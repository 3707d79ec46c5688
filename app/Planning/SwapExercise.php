<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;

/**
 * Another exercise for one entry of the program.
 */
final class SwapExercise
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
        private readonly KnownRungs $rungs,
    ) {
    }

    /** Puts another exercise in the place of one entry of the week. */
    public function as(Client $client, Trainer $trainer, int $version, Node $body): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $body): void {
            $program = $this->boards->program($locked) ?? throw UnusableInput::at('/', 'there is no program yet');
            $person = $this->boards->person($locked);
            $rung = $this->rungs->allowed($body->string('rung'), $person);
            try {
                $edited = $this->planner->edit($locked)->swap(
                    $program,
                    $body->int('week'),
                    $body->int('session'),
                    $body->int('block'),
                    $body->int('entry'),
                    $rung,
                );
            } catch (InvalidValue $e) {
                throw UnusableInput::of('/entry', $e);
            }
            $edited = $this->planner->mended($program, $edited, $person);
            $this->ledger->recordProgram($locked, $trainer, sprintf('Swapped for %s', $rung->name), $program, $edited);
            $this->ledger->store($locked, $edited);
        });
    }
}
