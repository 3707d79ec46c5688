<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedEntry;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Ladder\DoseRange;

final class UnusualDose implements Rule
{
    public static function sentence(): string
    {
        return 'A dose lies between the start and the top of its rung; over twice the top, or over six sets, it is far out.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->sessions() as $session) {
            foreach ($session->entries as $entry) {
                $range = $entry->rung === null ? null : DoseRange::outside($entry->entry->dose, $entry->rung, $entry->sets);
                if ($range !== null && $entry->rung !== null) {
                    $findings[] = new Finding(
                        'dose.range',
                        $range->isFar ? Severity::Warn : Severity::Note,
                        $entry->where(),
                        sprintf('%s: %s', $entry->name(), $range->text),
                        $range->evidence,
                        $entry->entry->dose->sets !== $entry->sets ? null : $this->repairs->dose($entry, $this->inside($entry, isset($range->evidence['most_sets']))),
                    );
                }
            }
        }

        return $findings;
    }

    private function inside(AuditedEntry $entry, bool $tooManySets): Dose
    {
        $dose = $entry->entry->dose;
        if ($entry->rung === null || $tooManySets) {
            return $dose->withSets(min($dose->sets, DoseRange::MOST_SETS));
        }
        $start = $entry->rung->start()->measure;
        $top = $entry->rung->top()->measure;

        return $dose->withMeasure($dose->measure->amount() < $start->amount() ? $start : $top);
    }
}
