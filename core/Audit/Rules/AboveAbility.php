<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Client\Basis;

final class AboveAbility implements Rule
{
    public static function sentence(): string
    {
        return 'No exercise stands more than one level above the ability in its direction; where a ladder begins higher, its '
            .'first rung is the exception.';
    }

    private const WARNS_OVER = 1;

    private const ERRS_OVER = 2;

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->sessions() as $session) {
            foreach ($session->entries as $entry) {
                $client = $program->clientFor($session);
                $ability = $entry->rung === null ? null : $program->abilityOn($entry->rung);
                if (
                    $client === null
                    || $entry->rung === null
                    || $ability === null
                    || $entry->rung->level->value <= $ability + self::WARNS_OVER
                ) {
                    continue;
                }
                $placement = $program->placement($entry->rung->ladder);
                if ($placement?->basis === Basis::Entry && $placement->rung === $entry->rung) {
                    continue;
                }
                $findings[] = new Finding(
                    'level.above-ability',
                    $entry->rung->level->value > $ability + self::ERRS_OVER ? Severity::Error : Severity::Warn,
                    $entry->where(),
                    sprintf(
                        '%s is level %d, %s ability is %d',
                        $entry->name(),
                        $entry->rung->level->value,
                        lcfirst($entry->rung->category->label()),
                        $ability,
                    ),
                    ['level' => $entry->rung->level->value, 'ability' => $ability],
                    $this->repairs->spares($entry, $program, $client, $ability + self::WARNS_OVER),
                    $entry->name(),
                );
            }
        }

        return $findings;
    }
}
