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
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Measure;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Time\Seconds;

final class HoldOverCap implements Rule
{
    public static function sentence(): string
    {
        return 'No unbroken hold passes the cap of the house style, 60 s without one: form goes before the clock does.';
    }

    /** Break between the pieces of a hold (common practice, no source). */
    private const BREAK_S = 5;

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $cap = $program->holdCap();
        $findings = [];
        foreach ($program->sessions() as $session) {
            foreach ($session->entries as $entry) {
                $hold = $entry->entry->dose->measure->longestHold();
                if ($hold->isLongerThan($cap)) {
                    $findings[] = new Finding(
                        'hold.over-cap',
                        Severity::Warn,
                        $entry->where(),
                        sprintf('%s is held %s at a stretch, over the cap of %s', $entry->name(), $hold->toClock(), $cap->toClock()),
                        ['hold_s' => $hold->toNumber(), 'cap_s' => $cap->toNumber()],
                        [$this->repairs->dose($entry, $this->within($entry, $program->steps(), $cap))],
                        $entry->name(),
                    );
                }
            }
        }

        return $findings;
    }

    /** The highest step of the rung that is not over what was written; what is no rung is cut. */
    private function within(AuditedEntry $entry, Steps $steps, Seconds $cap): Dose
    {
        $dose = $entry->entry->dose;
        $step = $entry->rung === null ? null : $steps->highestNotOver($entry->rung, $dose->measure);

        return $entry->rung === null || $step === null ? $dose->withMeasure($this->cut($dose->measure, $cap)) : $dose->withMeasure(
            $steps->dose($entry->rung, $step)->measure,
        );
    }

    /** As long in all, in pieces of the cap; a hold in every repetition is shortened. */
    private function cut(Measure $measure, Seconds $cap): Measure
    {
        if ($measure instanceof Reps) {
            return new Reps($measure->count, $measure->tempo, $cap);
        }
        $count = min(50, (int) ceil($measure->work()->ms / $cap->ms));

        return new Intervals($count, $cap, Seconds::of(self::BREAK_S));
    }
}
