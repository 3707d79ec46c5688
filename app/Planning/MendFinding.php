<?php

declare(strict_types=1);

namespace App\Planning;

use App\Audit\Audits;
use App\Models\Client;
use App\Models\Trainer;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Week;

/**
 * Applies the fix of one finding of the program's own audit.
 */
final class MendFinding
{
    public function __construct(
        private readonly ProgramChange $programs,
        private readonly BoardLoader $boards,
        private readonly Audits $audits,
    ) {
    }

    /** Applies the fix of one finding of the program's own audit. */
    public function of(Client $client, Trainer $trainer, int $version, string $rule, string $where): void
    {
        $this->programs->change($client, $trainer, $version, sprintf(
            'Mended: %s',
            $rule,
        ), fn (Program $program): Program => $program->withWeeks(array_map(
            fn (Week $week): Week => $week->withSessions(array_map($this->programs->told(...), $week->sessions)),
            $this->audits->mended($program, $rule, $where, $this->boards->style($client), $this->boards->person($client))->weeks,
        )));
    }
}
