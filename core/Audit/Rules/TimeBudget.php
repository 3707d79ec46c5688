<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\AuditedSession;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Fix;
use EvenRungs\Core\Audit\Repairs;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Refit;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;

final class TimeBudget implements Rule
{
    public static function sentence(): string
    {
        return 'A session keeps the client\'s minutes of that day, and stands on a day that the client offered.';
    }

    public function __construct(private readonly Repairs $repairs, private readonly Refit $refit)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $days = $program->client?->days;
        if ($program->client === null || $days === null) {
            return [];
        }
        $findings = [];
        foreach ($program->sessions() as $session) {
            $minutes = $program->clientFor($session)?->minutesOn($session->session->day) ?? 0;
            $computed = $session->time->time->total();
            if ($minutes === 0) {
                $findings[] = new Finding(
                    'time.budget',
                    Severity::Warn,
                    $session->where(),
                    sprintf('stands on %s, a day that the client did not offer', $session->session->day->label()),
                    ['computed_s' => $computed->toNumber(), 'budget_s' => 0],
                    array_values(array_filter([$this->move($program, $session)])),
                );
            } elseif ($computed->isLongerThan(Seconds::of(60 * $minutes))) {
                $budget = Seconds::of(60 * $minutes);
                $client = $program->client;
                $fitted = array_values(
                    array_filter(
                        [$this->refit->into($session->session, $budget, ! $client->hasMedicalLimit() && ! Age::of($client)->isOld())],
                    ),
                );
                $findings[] = new Finding(
                    'time.budget',
                    Severity::Error,
                    $session->where(),
                    sprintf('takes %s of the %s that the client has', $computed->toClock(), $budget->toClock()),
                    ['computed_s' => $computed->toNumber(), 'budget_s' => $budget->toNumber()],
                    array_map(
                        fn (array $of): Fix => $this->repairs->session(
                            sprintf('Cut it down to the minutes: %s.', implode('; ', $of[1])),
                            $session,
                            static fn (Session $found): Session => $found->claimed === null ? $of[0]->withClaimed(null) : $of[0],
                        ),
                        $fitted,
                    ),
                );
            }
        }

        return $findings;
    }

    /** To the first offered day without a session on which it fits. */
    private function move(AuditedProgram $program, AuditedSession $session): ?Fix
    {
        $taken = array_map(static fn (AuditedSession $each): Weekday => $each->session->day, $program->weeks[$session->place[0]]->sessions);
        foreach (Weekday::cases() as $day) {
            if (
                ! in_array($day, $taken, true)
                && 60_000 * ($program->clientFor($session)?->minutesOn($day) ?? 0) >= $session->time->time->total()->ms
            ) {
                return $this->repairs->session(
                    sprintf('Move it to %s.', $day->label()),
                    $session,
                    static fn (Session $found): Session => ProgramDates::onDay($found, $day),
                );
            }
        }

        return null;
    }
}
