<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;

final class BarredByLimit implements Rule
{
    public static function sentence(): string
    {
        return 'Nothing that a limit of the client bars is in the program.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->obstacles() as [$entry, $client, $obstacles]) {
            foreach ($obstacles->bars as $bar) {
                $findings[] = new Finding(
                    'limit.'.$bar->limit,
                    Severity::Error,
                    $entry->where(),
                    sprintf(
                        '%s is barred by %s: %s, grade %d',
                        $entry->name(),
                        lcfirst($program->library->limits[$bar->limit]->name),
                        lcfirst($program->library->stresses[$bar->stress]->name),
                        $bar->grade,
                    ),
                    ['grade' => $bar->grade],
                    $this->repairs->spares($entry, $program, $client),
                    $entry->name(),
                );
            }
        }

        return $findings;
    }
}
