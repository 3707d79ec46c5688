<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Program as ProgramRow;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\Program\Program;

/**
 * The name that a trainer gives a program; it stays when the program is planned anew.
 */
final class NameProgram
{
    private const NAMED = 'named';

    public function __construct(
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
    ) {
    }

    public function as(Client $client, Trainer $trainer, int $version, string $program, string $name): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $program, $name): void {
            $row = ProgramRow::query()->ofClient($locked)->whereKey($program)->firstOrFail();
            $old = $this->boards->read($row);
            $named = self::named($old, trim($name));
            if ($row->current) {
                $this->ledger->recordProgram($locked, $trainer, sprintf('Named %s', trim($name)), $old, $named);
            }
            $row->update(['document' => $this->ledger->written($named)]);
        });
    }

    /** The program that takes the place of a named one has its name. */
    public static function kept(Program $planned, ?Program $old): Program
    {
        return $old?->x->get(self::NAMED) === true && $old->title !== null ? self::named($planned, $old->title) : $planned;
    }

    private static function named(Program $program, string $name): Program
    {
        return new Program(
            $program->weeks,
            $name,
            $program->style,
            $program->client,
            $program->gaps,
            $program->x->with(self::NAMED, true),
            $program->notes,
        );
    }
}
