<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Program as ProgramRow;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\Program\Program;

/**
 * A kept program in use again.
 */
final class OpenProgram
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
    ) {
    }

    /** Puts a kept program in use again. */
    public function again(Client $client, Trainer $trainer, int $version, string $program): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $program): void {
            $this->planner->checkMayPlan($locked);
            $row = ProgramRow::query()->ofClient($locked)->whereKey($program)->firstOrFail();
            $before = $this->ledger->state($locked, $this->boards->program($locked));
            $person = $this->boards->person($locked);
            $old = $this->boards->read($row);
            $again = $this->planner->fit($locked)->again($old, $person);
            $fitted = $again->program;
            $changes = FitView::of($again);
            $locked->plan_asked = null;
            ProgramRow::query()->ofClient($locked)->update(['current' => false]);
            $row->update(
                [
                    'current' => true,
                    'document' => $this->ledger->written(
                        PresentWeek::begun(
                            new Program($fitted->weeks, $old->title, $fitted->style, $person, $fitted->gaps, $old->x, $old->notes),
                        ),
                    ),
                ],
            );
            $label = sprintf(
                'In use again: %s%s',
                $old->title ?? 'a program',
                $changes === [] ? '' : sprintf(', %d change%s', count($changes), count($changes) === 1 ? '' : 's'),
            );
            $this->ledger->record($locked, $trainer, $label, $before, $this->ledger->state($locked, $this->boards->program($locked)));
        });
    }
}
