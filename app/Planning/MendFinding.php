<?php

declare(strict_types=1);

namespace App\Planning;

use App\Audit\Audits;
use App\Models\Client;
use App\Models\Trainer;
use EvenRungs\Core\Program\Program;

/**
 * Applies the fixes of the program's own audit, one or all.
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
        $this->programs->change($client, $trainer, $version, sprintf('Mended: %s', $rule), fn (Program $program): Program => $this->told(
            $this->audits->mended($program, $rule, $where, $this->boards->style($client), $this->boards->person($client)),
        ));
    }

    /** Makes one fix after the other until none is left that helps, as one step that can be undone. */
    public function all(Client $client, Trainer $trainer, int $version): void
    {
        $this->programs->change($client, $trainer, $version, 'Mended all', fn (Program $program): Program => $this->told(
            $this->wouldMend($client, $program)[0],
        ));
    }

    /** @return list<string> what mending all would do, in words */
    public function seen(Client $client): array
    {
        $program = $this->boards->program($client);

        return $program === null ? [] : $this->wouldMend($client, $program)[1];
    }

    /** @return array{Program, list<string>} */
    private function wouldMend(Client $client, Program $program): array
    {
        [$audit, $read] = $this->audits->read($program, $this->boards->style($client), $this->boards->person($client));

        return $audit->mended($read);
    }

    private function told(Program $program): Program
    {
        return $program->mapSessions($this->programs->told(...));
    }
}
