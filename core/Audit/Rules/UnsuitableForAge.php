<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;

final class UnsuitableForAge implements Rule
{
    public static function sentence(): string
    {
        return 'Nothing is in the program that the rules of age, or the level of a clearance, leave out.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->obstacles() as [$entry, $client, $obstacles]) {
            if ($obstacles->unsuitable !== null) {
                $findings[] = new Finding(
                    'age.unsuitable',
                    Severity::Error,
                    $entry->where(),
                    sprintf('%s %s', $entry->name(), $obstacles->unsuitable),
                    ['level' => $obstacles->rung->level->value],
                    $this->repairs->spares($entry, $program, $client),
                    $entry->name(),
                );
            }
        }

        return $findings;
    }
}
