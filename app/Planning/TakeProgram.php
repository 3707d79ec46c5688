<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Week;

/**
 * Begins a program that was made elsewhere.
 */
final class TakeProgram
{
    public function __construct(
        private readonly ProgramChange $programs,
        private readonly KeptAllTheSame $kept,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
    ) {
    }

    /** Begins a program that was made elsewhere. */
    public function over(Client $client, Trainer $trainer, int $version, Program $program, ?string $insist = null): void
    {
        $this->planner->checkMayPlan($client);
        $program = $program->withWeeks(
            array_map(
                fn (Week $week): Week => $week->withSessions($this->kept->sessions($client, $trainer, $week->sessions, $insist)),
                $program->weeks,
            ),
        );
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $program): void {
            $before = $this->ledger->state($locked, $this->boards->program($locked));
            $weeks = array_map(
                fn (Week $week): Week => $week->withSessions(array_map($this->programs->told(...), $week->sessions)),
                $program->weeks,
            );
            $own = PresentWeek::begun(
                new Program(
                    $weeks,
                    $program->title ?? sprintf('%s: taken over', $locked->name),
                    $this->boards->style($locked)->id,
                    $this->boards->person($locked),
                    $program->gaps,
                    $program->x,
                ),
            );
            $row = $this->ledger->begin($locked, $own);
            $this->ledger->record(
                $locked,
                $trainer,
                'Program taken over',
                $before,
                [...$this->ledger->state($locked, $own), 'new_program' => $row->id],
            );
        });
    }
}
