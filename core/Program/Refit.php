<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Time\Seconds;

/**
 * Brings a session that has grown back into its minutes, with as little lost as may be: first every rest gives a few seconds, never more
 * than half of it, then sets go, down to one of each exercise, and only then exercises in the order of "make it fit" (house rule): a ladder
 * that is left alone falls back. Rests stay whole for a medical limit and from 65.
 */
final class Refit
{
    private const STEP_MS = 5_000;

    private const LEAST_REST_MS = 10_000;

    public function __construct(private readonly Library $library, private readonly Fit $fit)
    {
    }

    /**
     * @param  bool  $mayTrim  whether rests may give
     * @return array{Session, list<string>}|null the session with its honest claim, and what gave way; null where even its last exercise
     *                                           takes too long
     */
    public function into(Session $session, Seconds $budget, bool $mayTrim): ?array
    {
        $trimmed = $mayTrim ? $this->trimmed($session, $budget) : $session;
        $given = $this->told($session, $trimmed);
        $cuts = $this->fit->cutsInto($trimmed, $budget, true);
        if ($cuts === null) {
            return null;
        }
        foreach ($cuts as $cut) {
            $given[] = sprintf('%s goes, %s', lcfirst($cut->what), $cut->costs);
            $trimmed = $cut->session;
        }

        return [$trimmed->withClaimed(SessionTime::total($trimmed, $this->library)), $given];
    }

    /**
     * The same by rests alone, where they can give all of it; null where they cannot.
     *
     * @return array{Session, list<string>}|null
     */
    public function byRests(Session $session, Seconds $budget): ?array
    {
        $trimmed = $this->trimmed($session, $budget);

        return $this->isOver($trimmed, $budget) ? null : [
            $trimmed->withClaimed(SessionTime::total($trimmed, $this->library)),
            $this->told($session, $trimmed),
        ];
    }

    /** Every rest shorter by as much as it takes, as far as rests may give. */
    private function trimmed(Session $session, Seconds $budget): Session
    {
        $trimmed = $session;
        for ($less = self::STEP_MS; $this->isOver($trimmed, $budget); $less += self::STEP_MS) {
            $shorter = $session->mapEntries(static fn (Entry $entry): Entry => self::shorter($entry, $less));
            if ($shorter == $trimmed) {
                break;
            }
            $trimmed = $shorter;
        }

        return $trimmed;
    }

    private function isOver(Session $session, Seconds $budget): bool
    {
        return SessionTime::total($session, $this->library)->isLongerThan($budget);
    }

    /** The entry with less rest, never under half of it or ten seconds. */
    private static function shorter(Entry $entry, int $lessMs): Entry
    {
        $rest = $entry->dose->rest;
        if ($rest === null || $rest->ms <= self::LEAST_REST_MS) {
            return $entry;
        }

        return $entry->withDose($entry->dose->withRest(Seconds::ofMs(max(self::LEAST_REST_MS, intdiv($rest->ms, 2), $rest->ms - $lessMs))));
    }

    /** @return list<string> which rests gave, in words */
    private function told(Session $before, Session $after): array
    {
        $times = [];
        $now = $after->entries();
        foreach ($before->entries() as $i => $entry) {
            [$from, $to] = [$entry->dose->rest ?? Seconds::zero(), $now[$i]->dose->rest ?? Seconds::zero()];
            if (! $from->equals($to)) {
                $change = sprintf('rest %s → %s', $from->toClock(), $to->toClock());
                $times[$change] = ($times[$change] ?? 0) + 1;
            }
        }

        return array_map(
            static fn (string $change, int $count): string => sprintf('%s on %d exercise%s', $change, $count, $count === 1 ? '' : 's'),
            array_keys($times),
            array_values($times),
        );
    }
}
