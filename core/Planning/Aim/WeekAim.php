<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Aim;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Role;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Style\FilledWeights;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * What the filled sessions of a week are worth together.
 */
final class WeekAim
{
    private readonly int $trained;

    /**
     * @param  list<array{int, int, int, int, int}>  $directions  of each that something can train: its place, sessions and sets that are
     *     meant a week, what a set that is meant is worth more than one beyond, and what counts in halves where the most and the least are
     *     compared: a whole, or a half where the goal wants it first
     * @param  list<int>  $shares  per cent of the work by the place of the role; empty where the style has none
     * @param  bool  $repeats  learners train the same again
     * @param  bool  $chosen  whether the trainer chose the ladders
     */
    private function __construct(
        private readonly FilledWeights $weights,
        private readonly array $directions,
        private readonly array $shares,
        private readonly bool $repeats,
        private readonly bool $chosen,
    ) {
        // the first ladder of a direction is no other
        $this->trained = $weights->directionTrained + ($repeats ? $weights->anotherLadder : 0);
    }

    /** @param  list<Category>  $open  directions that something can train */
    public static function of(Client $client, GoalRule $goal, Style $style, array $open): self
    {
        $weights = $style->filledWeights;
        $directions = [];
        foreach (Category::directions() as $place => $direction) {
            if (in_array($direction, $open, true)) {
                $sessions = $goal->sessions[$direction->value] ?? $style->directionSessions;
                $isFirst = in_array($direction, $goal->first, true);
                $more = $weights->setMeant - $weights->setBeyond + ($isFirst ? $weights->setOfFirst : 0);
                $directions[] = [$place, $sessions, $sessions * $goal->sets, $more, $isFirst ? 1 : 2];
            }
        }
        $shares = $style->plan->roleShares;

        return new self(
            $weights,
            $directions,
            $shares === [] ? [] : array_map(static fn (Role $role): int => $shares[$role->value] ?? 0, Role::cases()),
            SessionShape::learns($client),
            $client->ladders !== null,
        );
    }

    /**
     * @param  int  $points  of what is seen in single sessions
     * @param  array<int, int>  $others  sum of the tallies of all sessions but one
     * @param  array<int, int>  $one  the tally of that
     * @return int points
     */
    public function value(int $points, array $others, array $one): int
    {
        $w = $this->weights;
        $value = $points;
        $most = $mostMs = 0;
        $least = $leastMs = PHP_INT_MAX;
        foreach ($this->directions as [$d, $sessions, $sets, $more, $counts]) {
            $done = $others[$d] + $one[$d];
            $trained = $others[AimedSession::TRAINED + $d] + $one[AimedSession::TRAINED + $d];
            $ms = $counts * ($others[AimedSession::WORK + $d] + $one[AimedSession::WORK + $d]);
            $value += ($trained > 0 ? $this->trained : 0) + $w->sessionOfDirection * ($trained < $sessions ? $trained : $sessions)
                + $more * ($done < $sets ? $done : $sets) + $w->setBeyond * $done;
            $done *= $counts;
            $most = $done > $most ? $done : $most;
            $least = $done < $least ? $done : $least;
            $mostMs = $ms > $mostMs ? $ms : $mostMs;
            $leastMs = $ms < $leastMs ? $ms : $leastMs;
        }
        if ($this->directions !== []) {
            $value -= intdiv($w->unevenSet * max(0, $most - $least - 2 * $w->evenSets), 2)
                + $w->unevenSecond * intdiv(max(0, $mostMs - $leastMs - 2000 * $w->evenSeconds), 2000);
        }

        return $this->shares === [] ? $value : $value - $this->offShare($others, $one);
    }

    /**
     * What it is worth that one session more holds a ladder.
     *
     * @param  int  $times  sessions that hold it already
     * @param  bool  $isDirection  whether it trains one of the directions
     */
    public function ladder(int $times, bool $isDirection): int
    {
        return match (true) {
            $times === 0 => ($this->chosen ? $this->weights->chosenLadder : 0)
                - ($this->repeats && $isDirection ? $this->weights->anotherLadder : 0),
            $this->repeats => 0,
            default => $times === 1 ? -$this->weights->secondTime : -$this->weights->thirdTime,
        };
    }

    /**
     * What the roles cost that miss their share.
     *
     * @param  array<int, int>  $others
     * @param  array<int, int>  $one
     */
    private function offShare(array $others, array $one): int
    {
        $ms = [];
        foreach ($this->shares as $role => $share) {
            $ms[$role] = $others[AimedSession::ROLES + $role] + $one[AimedSession::ROLES + $role];
        }
        $all = array_sum($ms);
        $off = 0;
        foreach ($this->shares as $role => $share) {
            $off += intdiv(max(0, abs(100 * $ms[$role] - $share * $all) - $this->weights->rolePercent * $all), 100_000);
        }

        return $this->weights->roleSecond * $off;
    }
}
