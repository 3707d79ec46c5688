<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedEntry;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Fix;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Program\Entry;

final class UnknownExercise implements Rule
{
    public static function sentence(): string
    {
        return 'Every name means an exercise of the library; near misses are offered, never taken silently.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $near = [];
        $findings = [];
        foreach ($program->sessions() as $session) {
            foreach ($session->entries as $entry) {
                if ($entry->rung === null) {
                    $name = $entry->entry->exercise;
                    $near[$name] ??= $program->library->suggestions($name);
                    $meant = array_map(static fn (Rung $rung): string => $rung->name, $near[$name]);
                    $findings[] = new Finding(
                        'exercise.unknown',
                        Severity::Warn,
                        $entry->where(),
                        sprintf(
                            '"%s" is not in the library%s',
                            mb_substr($name, 0, 80),
                            $meant === [] ? '' : '; is '.implode(' or ', $meant).' meant?',
                        ),
                        [
                            'suggestions' => array_map(
                                static fn (Rung $rung): array => ['rung' => $rung->id, 'name' => $rung->name],
                                $near[$name],
                            ),
                        ],
                        array_map(fn (Rung $rung): Fix => $this->rename($entry, $rung), $near[$name]),
                        $entry->name(),
                    );
                }
            }
        }

        return $findings;
    }

    private function rename(AuditedEntry $entry, Rung $rung): Fix
    {
        return $this->repairs->entry(
            sprintf('Take it as %s.', $rung->name),
            $entry,
            static fn (Entry $old): Entry => new Entry($rung->id, self::sided($old->dose, $rung), $old->note, null, $old->x),
        );
    }

    /** A dose that names no side gets the rung's own. */
    private static function sided(Dose $dose, Rung $rung): Dose
    {
        if ($rung->side === Side::Both || $dose->isPerSide() || $dose->measure instanceof Work) {
            return $dose;
        }

        return $dose->withSide($rung->side === Side::Alternate && $dose->measure instanceof Reps ? Side::Alternate : Side::Each);
    }
}
