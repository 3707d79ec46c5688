<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Time\Seconds;

/**
 * Brings every session of a program that has grown over its minutes back inside them, and names the directions that a week loses by it.
 */
final class ProgramRefit
{
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
        $mayTrim = ! $client->hasMedicalLimit() && ! Age::of($client)->isOld();
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
