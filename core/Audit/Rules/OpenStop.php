<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Writing;

final class OpenStop implements Rule
{
    public static function sentence(): string
    {
        return 'Nothing is trained on a ladder that was stopped, and nothing at all after a stop of everything, until a '
            .'clearance of a later day.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        $all = $program->client === null ? null : Cleared::for($program->client)->openStop();
        foreach ($program->sessions() as $session) {
            $client = $program->clientFor($session);
            if ($client === null) {
                continue;
            }
            foreach ($session->entries as $entry) {
                $on = $all->on ?? ($entry->rung === null ? null : Cleared::for($client)->stopOn($entry->rung->ladder));
                if ($on !== null) {
                    $findings[] = new Finding(
                        'stop.open',
                        Severity::Error,
                        $entry->where(),
                        sprintf(
                            '%s: %s was stopped on %s, and no clearance of a later day lifts it',
                            $entry->name(),
                            $all === null ? 'its ladder' : 'everything',
                            Writing::day($on),
                        ),
                        ['on' => $on->format('Y-m-d')],
                        $all === null ? $this->repairs->spares($entry, $program, $client) : [],
                        $entry->name(),
                    );
                }
            }
        }

        return $findings;
    }
}
