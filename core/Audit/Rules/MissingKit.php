<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;

final class MissingKit implements Rule
{
    public static function sentence(): string
    {
        return 'Nothing needs kit that is not to hand on that day.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->obstacles() as [$entry, $client, $obstacles]) {
            if ($obstacles->missingKit !== []) {
                $names = array_map(
                    static fn (string $kit): string => lcfirst($program->library->equipment[$kit]->name),
                    $obstacles->missingKit,
                );
                $findings[] = new Finding(
                    'equipment.missing',
                    Severity::Error,
                    $entry->where(),
                    sprintf('%s needs what is not to hand: %s', $entry->name(), implode(', ', $names)),
                    ['missing' => count($obstacles->missingKit)],
                    $this->repairs->spares($entry, $program, $client),
                    $entry->name(),
                );
            }
        }

        return $findings;
    }
}
