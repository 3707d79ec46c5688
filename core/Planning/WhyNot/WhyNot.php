<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\WhyNot;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Finds why a week of a client does not hold an exercise by planning it without what keeps it out: first everything at once, then with one
 * thing after the other back in place, until nothing more can come back.
 */
final class WhyNot
{
    /** @param  array<string, GoalRule>  $goals  by goal */
    public function __construct(private readonly Library $library, private readonly Style $style, private readonly array $goals)
    {
    }

    /** @param  Client  $client  who may train: nothing waits for a clinician */
    public function of(Client $client, Rung $rung): WhyNotAnswer
    {
        $now = $this->week($client, $this->style);
        $where = self::where($now, $rung);
        if ($where !== []) {
            return new WhyNotAnswer($rung, $client, $this->style, $where, [], []);
        }
        $lifts = new Lifts(
            $this->library,
            $this->style,
            GoalRule::for($client, $this->goals),
            $client,
            (new Placer($this->library, $this->style))->place($client),
            $rung,
        );
        $more = (new PlanLifts($this->library, $this->style, $client, $rung))->all();
        foreach (Lifts::BY as $by) {
            $reasons = $this->enough($client, $rung, $lifts->standing($by), $more);
            if ($reasons !== null) {
                $reasons = $this->fewest($client, $rung, $reasons);
                $then = $this->lifted($client, $reasons);

                return new WhyNotAnswer($rung, $client, $this->style, [], $reasons, $this->differences($now, $then));
            }
        }

        $same = static fn (Client $client): Client => $client;
        $others = Lift::ofClient('turn', 'Even so other exercises have their turn first.', null, $same);

        return new WhyNotAnswer($rung, $client, $this->style, [], [...$lifts->standing('standing'), $others], []);
    }

    /**
     * @param  list<Lift>  $reasons
     * @param  list<Lift>  $more  taken one after the other
     * @return list<Lift>|null null where not even all of it brings the exercise in
     */
    private function enough(Client $client, Rung $rung, array $reasons, array $more): ?array
    {
        while (! $this->holds($client, $rung, $reasons)) {
            $next = array_shift($more);
            if ($next === null) {
                return null;
            }
            $reasons = [...self::withoutPart($reasons, $next), $next];
        }

        return $reasons;
    }

    /**
     * Two edits of one part of the document would go over each other: the later does what the earlier does.
     *
     * @param  list<Lift>  $reasons
     * @return list<Lift>
     */
    private static function withoutPart(array $reasons, Lift $more): array
    {
        return array_values(array_filter($reasons, static fn (Lift $lift): bool => $lift->edits === null || $lift->edits !== $more->edits));
    }

    /**
     * @param  list<Lift>  $reasons
     * @return list<Lift> without those that it is in without
     */
    private function fewest(Client $client, Rung $rung, array $reasons): array
    {
        do {
            $before = count($reasons);
            foreach (array_reverse(array_keys($reasons)) as $i) {
                $others = $reasons;
                unset($others[$i]);
                if ($this->holds($client, $rung, array_values($others))) {
                    $reasons = $others;
                }
            }
            $reasons = array_values($reasons);
        } while (count($reasons) < $before);

        return $reasons;
    }

    /** @param  list<Lift>  $lifts */
    private function holds(Client $client, Rung $rung, array $lifts): bool
    {
        return self::where($this->lifted($client, $lifts), $rung) !== [];
    }

    /**
     * @param  list<Lift>  $lifts
     * @return list<Session>
     */
    private function lifted(Client $client, array $lifts): array
    {
        $style = $this->style;
        foreach ($lifts as $lift) {
            [$client, $style] = $lift->from($client, $style);
        }

        return $this->week($client, $style);
    }

    /** @return list<Session> */
    private function week(Client $client, Style $style): array
    {
        return (new WeekPlanner($this->library, $style, $this->goals))->plan($client)->weeks[0]->sessions;
    }

    /**
     * @param  list<Session>  $sessions
     * @return list<string>
     */
    private static function where(array $sessions, Rung $rung): array
    {
        $where = [];
        foreach ($sessions as $s => $session) {
            if (in_array($rung->id, self::exercises($session), true)) {
                $where[] = "/weeks/0/sessions/{$s}";
            }
        }

        return $where;
    }

    /** @return list<string> */
    private static function exercises(Session $session): array
    {
        return array_map(static fn ($entry): string => $entry->exercise, $session->entries());
    }

    /**
     * @param  list<Session>  $now
     * @param  list<Session>  $then
     * @return list<string> day by day, what goes and what comes
     */
    private function differences(array $now, array $then): array
    {
        $days = [];
        foreach (['goes' => $now, 'comes' => $then] as $which => $sessions) {
            foreach ($sessions as $session) {
                $days[$session->day->label()][$which] = [...$days[$session->day->label()][$which] ?? [], ...self::exercises($session)];
            }
        }
        $told = [];
        foreach ($days as $day => $each) {
            [$goes, $comes] = [$each['goes'] ?? [], $each['comes'] ?? []];
            foreach (['comes' => array_diff($comes, $goes), 'goes' => array_diff($goes, $comes)] as $what => $exercises) {
                foreach ($exercises as $exercise) {
                    $told[] = sprintf('%s: %s %s.', $day, $this->library->rung($exercise)->name, $what);
                }
            }
        }

        return $told;
    }
}
