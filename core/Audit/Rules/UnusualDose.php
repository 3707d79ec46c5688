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
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Program\CircuitBlock;

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
                $many = $entry->rung !== null && $session->session->blocks[$entry->place[2]] instanceof CircuitBlock
                    ? $program->steps()->many($entry->rung)
                    : null;
                if (
                    $many !== null
                    && $entry->sets <= DoseRange::MOST_SETS
                    && Steps::isAtMost($entry->entry->dose->measure, $many)
                    && Steps::isAtMost($program->steps()->of($entry->rung)[0]->measure, $entry->entry->dose->measure)
                ) {
                    continue;
                }
                $range = $entry->rung === null ? null : DoseRange::outside(
                    $entry->entry->dose,
                    $program->steps()->of($entry->rung),
                    $entry->sets,
                );
                if ($range !== null && $entry->rung !== null) {
                    $findings[] = new Finding(
                        'dose.range',
                        $range->isFar ? Severity::Warn : Severity::Note,
                        $entry->where(),
                        sprintf('%s: %s', $entry->name(), $range->text),
                        $range->evidence,
                        $entry->entry->dose->sets !== $entry->sets ? [] : [
                            $this->repairs->dose(
                                $entry,
                                $this->inside($entry, $entry->rung, $program->steps(), isset($range->evidence['most_sets'])),
                            ),
                        ],
                        $entry->name(),
                    );
                }
            }
        }

        return $findings;
    }

    private function inside(AuditedEntry $entry, Rung $rung, Steps $steps, bool $tooManySets): Dose
    {
        $dose = $entry->entry->dose;
        if ($tooManySets) {
            return $dose->withSets(min($dose->sets, DoseRange::MOST_SETS));
        }

        return $dose->withMeasure($steps->dose($rung, $steps->highestNotOver($rung, $dose->measure) ?? 0)->measure);
    }
}
