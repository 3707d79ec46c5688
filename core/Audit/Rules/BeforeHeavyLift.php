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
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Time\Seconds;

final class BeforeHeavyLift implements Rule
{
    public static function sentence(): string
    {
        return 'Before a heavy lift the trunk is switched on, never tired: hard work goes after the lift or on another day.';
    }

    public function __construct(private readonly Repairs $repairs)
    {
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->weeks as $week) {
            foreach ($week->sessions as $session) {
                if (! $week->liftsHeavyOn($session->session->day)) {
                    continue;
                }
                $found = match (true) {
                    $session->session->kind === Kind::BeforeLift && $session->isHard() => [
                        Severity::Error,
                        'is hard and stands before a heavy lift',
                        $this->after($session),
                    ],
                    $session->session->kind === Kind::Activation && ! $session->isSwitchOn() => [
                        Severity::Warn,
                        'is more than a switch-on before a heavy lift',
                        null,
                    ],
                    $session->session->kind === Kind::Standalone && $session->isHard() => [
                        Severity::Note,
                        'is hard on a heavy-lift day, and nobody wrote which comes first',
                        $this->after($session),
                    ],
                    default => null,
                };
                if ($found !== null) {
                    $findings[] = new Finding(
                        'order.before-heavy-lift',
                        $found[0],
                        $session->where(),
                        $found[1],
                        [
                            'sets' => $session->directionSets(),
                            'tension_s' => $session->directionMs() / 1000,
                            'work_s' => $session->time->time->workMs / 1000,
                        ],
                        [$found[2] ?? $this->lighten($program, $session)],
                    );
                }
            }
        }

        return $findings;
    }

    private function after(AuditedSession $session): Fix
    {
        return $this->repairs->session(
            'Do it after the lift.',
            $session,
            static fn (Session $found): Session => $found->asKind(Kind::AfterLift),
        );
    }

    /** One set of each, no long hold, and as many exercises as stay under the work of a switch-on. */
    private function lighten(AuditedProgram $program, AuditedSession $session): Fix
    {
        $most = $program->numbers;

        $lighter = static function (Session $found) use ($most): Session {
            $left = $most->switchOnTension->ms;
            $entries = [];
            foreach ($found->entries() as $entry) {
                $dose = $entry->dose->withSets(1);
                if ($dose->measure->longestHold()->isLongerThan($most->switchOnHold)) {
                    $dose = $dose->withMeasure(new Hold($most->switchOnHold));
                }
                if ($dose->tension()->ms <= $left) {
                    $left -= $dose->tension()->ms;
                    $entries[] = $entry->withDose($dose);
                }
            }

            return $entries === [] ? $found : $found->withBlocks([new StraightBlock($entries, Seconds::zero())]);
        };

        return $this->repairs->session('Make it a switch-on: one set of each, no long hold.', $session, $lighter);
    }
}
