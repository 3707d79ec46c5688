<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Ladder\Gate;

final class UnmetGate implements Rule
{
    public static function sentence(): string
    {
        return 'What must be done clean first, on this ladder or another, was shown before.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->obstacles() as [$entry, $client, $obstacles]) {
            if ($obstacles->unmetGates !== []) {
                $findings[] = new Finding(
                    'gate.unmet',
                    Severity::Warn,
                    $entry->where(),
                    sprintf(
                        '%s comes later: first %s',
                        $entry->name(),
                        implode(
                            ', ',
                            array_map(
                                static fn (Gate $gate): string => lcfirst($program->library->rung($gate->rung)->name),
                                $obstacles->unmetGates,
                            ),
                        ),
                    ),
                    ['gates' => count($obstacles->unmetGates)],
                    $this->repairs->spares($entry, $program, $client),
                    $entry->name(),
                );
            }
        }

        return $findings;
    }
}
