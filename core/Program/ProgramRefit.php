<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Writing;

/**
 * Brings every session of a program that has grown over its minutes back inside them, and names the directions that a week loses by it.
 */
final class ProgramRefit
{
    /** So much over its minutes a session mends itself by its rests, in milliseconds (house rule). */
    private const A_LITTLE_MS = 60_000;

    /** Where a session keeps what its rests gave. */
    private const MENDED = 'mended';

    public function __construct(private readonly Library $library, private readonly Refit $refit)
    {
    }

    public static function of(Library $library): self
    {
        return new self($library, new Refit($library, new Fit($library)));
    }

    /**
     * @return array{Program, list<string>} the program, and what gave way, week by week
     */
    public function into(Program $program, Client $client): array
    {
        $mayTrim = self::mayTrim($client);
        $given = [];
        $weeks = [];
        foreach ($program->weeks as $week) {
            $sessions = [];
            foreach ($week->sessions as $session) {
                $sessions[] = $this->session(
                    $session,
                    sprintf('week %d, %s', $week->number, $session->day->label()),
                    $week->clientIn($client),
                    $mayTrim,
                    $given,
                );
            }
            $weeks[] = $week->withSessions(array_values(array_filter($sessions)));
        }

        $fitted = LostDirections::named(
            $program,
            $program->withWeeks($weeks),
            $this->library,
            'The minutes leave no room for it since the doses grew.',
        );

        return [$fitted, $given];
    }

    private static function mayTrim(Client $client): bool
    {
        return ! $client->hasMedicalLimit() && ! Age::of($client)->isOld();
    }

    /**
     * A program after a change by hand: a session that is now a little over its minutes takes it from its rests, and says so; whatever is
     * more stays as the trainer made it, and the audit names it.
     */
    public function mended(Program $before, Program $after, Client $client): Program
    {
        if (! self::mayTrim($client)) {
            return $after;
        }
        $weeks = [];
        foreach ($after->weeks as $w => $week) {
            $there = $week->clientIn($client);
            // a session that is taken out moves the places of those behind it
            $untouched = $before->weeks[$w]->sessions ?? [];
            $weeks[] = $week->withSessions(array_map(
                fn (Session $session): Session => in_array($session, $untouched, false) ? $session : $this->mendedSession(
                    $session,
                    Seconds::of(60 * $there->minutesOn($session->day)),
                ),
                $week->sessions,
            ));
        }

        return $after->withWeeks($weeks);
    }

    private function mendedSession(Session $session, Seconds $budget): Session
    {
        $total = SessionTime::total($session, $this->library);
        $plain = $session->withX($session->x->without(self::MENDED)->orNone());
        $fitted = self::isALittleOver($total, $budget) ? $this->refit->byRests($plain, $budget) : null;

        return $fitted === null ? $plain : $fitted[0]->withX(
            $fitted[0]->x->with(
                self::MENDED,
                sprintf(
                    'It was %s s over the minutes; the rests gave them: %s.',
                    Writing::number(($total->ms - $budget->ms) / 1000),
                    implode('; ', $fitted[1]),
                ),
            ),
        );
    }

    public static function isALittleOver(Seconds $total, Seconds $budget): bool
    {
        return ! $budget->isZero() && $total->isLongerThan($budget) && $total->ms <= $budget->ms + self::A_LITTLE_MS;
    }

    /** What the rests of a session gave for a change by hand; null where they gave nothing. */
    public static function saidOf(Session $session): ?string
    {
        return $session->x->text(self::MENDED);
    }

    /**
     * @param  string  $when  week and day, in words
     * @param  list<string>  $given
     */
    private function session(Session $session, string $when, Client $client, bool $mayTrim, array &$given): ?Session
    {
        $budget = Seconds::of(60 * $client->minutesOn($session->day));
        if ($budget->isZero() || ! SessionTime::total($session, $this->library)->isLongerThan($budget)) {
            return $session;
        }
        $fitted = $this->refit->into($session, $budget, $mayTrim);
        if ($fitted === null) {
            $given[] = sprintf('%s: nothing of it fits %s', $when, $budget->toClock());

            return null;
        }
        foreach ($fitted[1] as $what) {
            $given[] = sprintf('%s: %s', $when, $what);
        }

        return $fitted[0];
    }
}
