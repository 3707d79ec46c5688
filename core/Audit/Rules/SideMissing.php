<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Work;

final class SideMissing implements Rule
{
    public static function sentence(): string
    {
        return 'An exercise that is done side by side says so, or its time and work are counted once instead of twice.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->sessions() as $session) {
            foreach ($session->entries as $entry) {
                $dose = $entry->entry->dose;
                if ($entry->rung === null || $entry->rung->side === Side::Both || $dose->isPerSide() || $dose->measure instanceof Work) {
                    continue;
                }
                $side = $entry->rung->side === Side::Alternate && $dose->measure instanceof Reps ? Side::Alternate : Side::Each;
                $findings[] = new Finding(
                    'side.missing',
                    Severity::Warn,
                    $entry->where(),
                    sprintf('%s is done side by side, but the dose names no side', $entry->name()),
                    ['work_s' => $dose->tension()->toNumber(), 'both_sides_s' => $dose->withSide($side)->tension()->toNumber()],
                    [$this->repairs->dose($entry, $dose->withSide($side))],
                    $entry->name(),
                );
            }
        }

        return $findings;
    }
}
