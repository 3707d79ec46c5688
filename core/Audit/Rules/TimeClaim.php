<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Program\Session;

final class TimeClaim implements Rule
{
    public static function sentence(): string
    {
        return 'A session takes as long as it says: more than a tenth over is an error, more than a tenth under is a note.';
    }

    private const MOST_PERCENT = 110;

    private const LEAST_PERCENT = 90;

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->sessions() as $session) {
            $claimed = $session->session->claimed;
            $computed = $session->time->time->total();
            if ($claimed === null) {
                continue;
            }
            $severity = match (true) {
                100 * $computed->ms > self::MOST_PERCENT * $claimed->ms => Severity::Error,
                100 * $computed->ms < self::LEAST_PERCENT * $claimed->ms => Severity::Note,
                default => null,
            };
            if ($severity !== null) {
                $findings[] = new Finding(
                    'time.claim',
                    $severity,
                    $session->where(),
                    sprintf('takes %s, not the %s that it claims', $computed->toClock(), $claimed->toClock()),
                    ['claimed_s' => $claimed->toNumber(), 'computed_s' => $computed->toNumber()],
                    [
                        $this->repairs->session(
                            sprintf('Claim %s.', $computed->toClock()),
                            $session,
                            static fn (Session $found): Session => $found->withClaimed($computed),
                        ),
                    ],
                );
            }
        }

        return $findings;
    }
}
