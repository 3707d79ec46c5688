<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict\Rules;

use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Verdict\Matter;
use EvenRungs\Core\Verdict\Rule;
use EvenRungs\Core\Verdict\Verdict;

final class FaultRepeat implements Rule
{
    private const RUNNING = 3;

    public static function id(): string
    {
        return 'fault.repeat';
    }

    public static function sentence(): string
    {
        return 'The same fault that ends a set short twice running, or shows three times running, takes range away first, then '
            .'dose, at the start the rung.';
    }

    public static function source(): string
    {
        return 'Common practice, no source.';
    }

    public function decide(Matter $matter): ?Verdict
    {
        $sessions = $matter->history->watched();
        $last = $sessions[count($sessions) - 1] ?? null;
        $before = $sessions[count($sessions) - 2] ?? null;
        if ($last === null || $before === null) {
            return null;
        }
        $same = array_values(array_intersect($last->endingFaults(), $before->endingFaults()));
        if ($same !== []) {
            return $this->down(
                $matter,
                sprintf('%s ended a set short in two sessions running.', ucfirst($matter->qualifying->named($same))),
                'A session without that fault, at its target.',
            );
        }
        $start = $matter->steps->of($matter->history->rung)[0]->measure->amount();
        $under = static fn (LoggedSession $session): bool => array_filter(
            $session->sets,
            static fn (LoggedSet $set): bool => ! $set->timed && ! $set->left && $set->done < $start && $set->target >= $start,
        ) !== [];
        if ($under($last) && $under($before)) {
            return $this->down(
                $matter,
                'Under the start dose of the rung in two sessions running.',
                'A session at the start dose of the rung, or over it.',
            );
        }
        $running = array_slice($sessions, -self::RUNNING);
        $stays = count($running) < self::RUNNING ? [] : array_values(
            array_intersect(...array_map(static fn (LoggedSession $session): array => $session->faults(), $running)),
        );

        return $stays === [] ? null : $this->down(
            $matter,
            sprintf(
                '%s showed in %d sessions running, though the targets were reached.',
                ucfirst($matter->qualifying->named($stays)),
                self::RUNNING,
            ),
            'A session without that fault.',
        );
    }

    private function down(Matter $matter, string $why, string $would): Verdict
    {
        return $matter->stepDown(self::id(), $why, [$would], false, null);
    }
}
