<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use EvenRungs\Core\Body\Age;
use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Session\DirectionShares;
use EvenRungs\Core\Session\Gap;
use EvenRungs\Core\Session\Program;
use EvenRungs\Core\Session\Session;
use EvenRungs\Core\Session\SessionTime;
use EvenRungs\Core\Session\Week;

/**
 * Brings every session of a program that has grown over its minutes back inside them, and names the directions that a week loses by it.
 */
final class ProgramRefit
{
    public function __construct(private readonly Library $library, private readonly Refit $refit)
    {
    }

    /**
     * @return array{Program, list<string>} the program, and what gave way, each once with its day where the days differ
     */
    public function into(Program $program, Client $client): array
    {
        $mayTrim = ! $client->hasMedicalLimit() && ! Age::of($client)->isOld();
        $given = [];
        $weeks = [];
        $gaps = $program->gaps;
        foreach ($program->weeks as $week) {
            $sessions = [];
            foreach ($week->sessions as $session) {
                $sessions[] = $this->session($session, $week->clientIn($client), $mayTrim, $given);
            }
            $fitted = $week->withSessions(array_values(array_filter($sessions)));
            $weeks[] = $fitted;
            $gaps = [...$gaps, ...$this->lost($week, $fitted, $gaps)];
        }

        return [new Program($weeks, $program->title, $program->style, $program->client, $gaps, $program->x), array_values(array_unique($given))];
    }

    /** @param  list<string>  $given */
    private function session(Session $session, Client $client, bool $mayTrim, array &$given): ?Session
    {
        $budget = Seconds::of(60 * $client->minutesOn($session->day));
        if ($budget->isZero() || ! SessionTime::total($session, $this->library)->isLongerThan($budget)) {
            return $session;
        }
        $fitted = $this->refit->into($session, $budget, $mayTrim);
        if ($fitted === null) {
            $given[] = sprintf('%s: nothing of it fits %s', $session->day->label(), $budget->toClock());

            return null;
        }
        foreach ($fitted[1] as $what) {
            $given[] = sprintf('%s: %s', $session->day->label(), $what);
        }

        return $fitted[0];
    }

    /**
     * @param  list<Gap>  $known
     * @return list<Gap>
     */
    private function lost(Week $before, Week $after, array $known): array
    {
        [$was, $is] = [DirectionShares::of($before, $this->library)->sessions, DirectionShares::of($after, $this->library)->sessions];
        $lost = [];
        foreach (Category::directions() as $direction) {
            $named = array_filter($known, static fn (Gap $gap): bool => $gap->category === $direction && $gap->week === $after->number);
            if ($named === [] && $is[$direction->value] < $was[$direction->value] && $is[$direction->value] < 2) {
                $lost[] = new Gap($direction, $after->number, 'The minutes leave no room for it since the doses grew.');
            }
        }

        return $lost;
    }
}
