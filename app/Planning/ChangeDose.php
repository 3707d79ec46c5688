<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\DoseRange;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Program;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * Another dose for one entry of the program.
 */
final class ChangeDose
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
    ) {
    }

    /** Gives one entry of the week another dose, written as trainers write it. */
    public function as(Client $client, Trainer $trainer, int $version, Node $body): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $body): void {
            $program = $this->boards->program($locked) ?? throw UnusableInput::at('/', 'there is no program yet');
            try {
                $dose = Shorthand::parse($body->string('dose'));
                $this->checkFar($locked, $program, $body, $dose);
                $edited = $this->planner->edit($locked)->changeDose(
                    $program,
                    $body->int('week'),
                    $body->int('session'),
                    $body->int('block'),
                    $body->int('entry'),
                    $dose,
                );
            } catch (InvalidValue $e) {
                throw UnusableInput::of('/dose', $e);
            }
            $edited = $this->planner->mended($program, $edited, $this->boards->person($locked));
            $this->ledger->recordProgram($locked, $trainer, sprintf('Dose %s', Wording::shown($dose)), $program, $edited);
            $this->ledger->store($locked, $edited);
        });
    }

    /**
     * A dose of over twice the top of its rung, or of over six sets, is asked for once.
     *
     * @throws UnusableInput at /sure
     */
    private function checkFar(Client $client, Program $program, Node $body, Dose $dose): void
    {
        $session = ($program->weeks[$body->int('week')] ?? null)?->sessions[$body->int('session')] ?? null;
        $block = $session?->blocks[$body->int('block')] ?? null;
        $entry = $block?->entries()[$body->int('entry')] ?? null;
        $rung = $entry === null ? null : $this->data->library()->find($entry->exercise);
        $range = $rung === null ? null : DoseRange::outside(
            $dose,
            $this->planner->steps($client)->of($rung),
            $block instanceof CircuitBlock ? $block->rounds : $dose->sets,
        );
        if ($range?->isFar === true && ! $body->bool('sure')) {
            throw UnusableInput::at('/sure', sprintf('%s: is that meant?', $range->text));
        }
    }
}
