<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * Changes a client's program as one step that can be undone.
 */
final class ProgramChange
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
    ) {
    }

    /** @param  callable(Program): Program  $edit */
    public function change(Client $client, Trainer $trainer, int $version, string $label, callable $edit): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $label, $edit): void {
            $program = $this->boards->program($locked) ?? throw UnusableInput::at('/', 'there is no program yet');
            try {
                $edited = $edit($program);
            } catch (InvalidValue $e) {
                throw UnusableInput::of('/session', $e);
            }
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

    /** The session with its honest minutes as its claim, and every entry told which rung it is. */
    public function told(Session $session): Session
    {
        $library = $this->data->library();
        $told = $session->mapEntries(static fn (Entry $entry): Entry => self::entry($entry, $library));

        return $told->withClaimed(SessionTime::total($told, $library));
    }

    private static function entry(Entry $entry, Library $library): Entry
    {
        $rung = $library->find($entry->exercise);
        if ($rung === null || ($entry->planned !== null && $entry->exercise === $rung->id)) {
            return $entry;
        }

        return new Entry(
            $rung->id,
            $entry->dose,
            $entry->note,
            new Planned($rung->category, $rung->level, $rung->ladder, ['Put in by the trainer.']),
            $entry->x,
        );
    }
}
