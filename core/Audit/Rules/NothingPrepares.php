<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\Kind;

final class NothingPrepares implements Rule
{
    private const FROM_MS = 900_000;

    public static function sentence(): string
    {
        return 'A stand-alone session of fifteen minutes or more begins with a warm-up or a switch-on.';
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->sessions() as $session) {
            $total = $session->time->time->total();
            $first = $session->entries[0] ?? null;
            if (
                $session->session->kind === Kind::Standalone
                && $total->ms >= self::FROM_MS
                && $session->session->warmUp->isZero()
                && $first?->rung?->category !== Category::Bracing
            ) {
                $findings[] = new Finding(
                    'prepare.none',
                    Severity::Note,
                    $session->where(),
                    'begins with neither a warm-up nor a switch-on',
                    ['computed_s' => $total->toNumber()],
                );
            }
        }

        return $findings;
    }
}
