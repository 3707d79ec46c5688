<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Door;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\LimitRule;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Severity;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Planning\Edit\ProgramEdit;
use EvenRungs\Core\Planning\Session\Preparation;
use EvenRungs\Core\Program\CutFrom;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\MinutesLeft;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Time\Seconds;

/**
 * Rewrites the planned session for the client as they walk in: pain decides first, then the sore trunk, then what each sore place and the
 * kit allow, last the minutes. With pain over 2 a sore place counts as severe. The pain zones and the sore trunk are those of the verdicts.
 * It is always the planned session that is rewritten, never what was rewritten before: the same answers give the same session.
 */
final class Door
{
    public function __construct(
        private readonly Library $library,
        private readonly Swaps $swaps,
        private readonly ProgramEdit $edit,
        private readonly Steps $steps,
    ) {
    }

    /** @param  Client  $client  where the session is trained: at home with the kit that is there */
    public function rewrite(Session $session, Client $client, DoorAnswers $answers): DoorSession
    {
        $stop = $answers->stop();
        if ($stop !== null) {
            return new DoorSession(null, [], true, $stop);
        }
        $less = $answers->less();
        $severity = $less !== null ? Severity::Severe : Severity::Moderate;
        $today = $client->sore(array_map(static fn (LimitRule $place): Limit => new Limit($place, $severity), $answers->sore));
        $today = $answers->equipment === null ? $today : $today->inPlace($today->days ?? [], $answers->equipment);
        $changes = [];
        $budget = $answers->left ?? $this->dayOf($session, $client);
        $session = $this->withoutDirectWork($session, $answers, $changes);
        $session = $this->allowed($session, $today, $changes);
        if ($less !== null) {
            $session = $this->eased($session, $today, $answers->pain, $less, $changes);
        }
        if ($session->entries() === []) {
            return new DoorSession(null, $changes, false, 'Nothing of it remains for today.');
        }

        return $this->inside((new Preparation($this->library))->suiting($session, $today), $budget, $changes);
    }

    /** The minutes of the day, or as long as was planned where that is longer: what is swapped makes no session longer. */
    private function dayOf(Session $planned, Client $client): Seconds
    {
        $day = Seconds::of(60 * $client->minutesOn($planned->day));
        $total = SessionTime::total($planned, $this->library);

        return $total->isLongerThan($day) ? $total : $day;
    }

    /** @param  list<DoorChange>  $changes */
    private function withoutDirectWork(Session $session, DoorAnswers $answers, array &$changes): Session
    {
        return $this->each($session, static function (Entry $entry, ?Rung $rung) use ($answers, &$changes): ?Entry {
            $why = $rung === null ? null : $answers->spares($rung);
            if ($rung === null || $why === null) {
                return $entry;
            }
            $changes[] = new DoorChange('left-out', $rung->name, null, $why);

            return null;
        });
    }

    /** @param  list<DoorChange>  $changes */
    private function allowed(Session $session, Client $today, array &$changes): Session
    {
        $used = [];
        foreach ($session->entries() as $entry) {
            $rung = $this->library->find($entry->exercise);
            if ($rung !== null && Obstacles::between($today, $rung, $this->library)->isClear()) {
                $used[$rung->id] = true;
            }
        }

        return $this->each($session, function (Entry $entry, ?Rung $rung) use ($today, &$changes, &$used): ?Entry {
            $obstacles = $rung === null ? null : Obstacles::between($today, $rung, $this->library);
            if ($rung === null || $obstacles === null || $obstacles->isSafe() && $obstacles->missingKit === []) {
                return $entry;
            }
            $why = $rung->name.' '.implode('; ', $obstacles->sentences($this->library)).'.';
            // what stands in has two sides of its own: the extra set of one side goes with its exercise
            if (ExtraSet::side($entry) !== null) {
                $changes[] = new DoorChange('left-out', $rung->name, null, $why.' Its extra set goes with it.');

                return null;
            }
            foreach ($this->swaps->sameDirection($rung, $today) as $swap) {
                if (! isset($used[$swap->rung->id])) {
                    $used[$swap->rung->id] = true;
                    $changes[] = new DoorChange('swapped', $rung->name, $swap->rung->name, $why.' '.implode(' ', $swap->why));

                    return $this->edit->onRung($entry, $swap->rung, 0, null, ['At the door: '.$why]);
                }
            }
            $changes[] = new DoorChange(
                'left-out',
                $rung->name,
                null,
                $why.sprintf(' Nothing else that is allowed trains %s.', lcfirst($rung->category->label())),
            );

            return null;
        });
    }

    /** @param  list<DoorChange>  $changes */
    private function eased(Session $session, Client $today, int $pain, string $why, array &$changes): Session
    {
        $used = array_fill_keys(array_map(static fn (Entry $entry): string => $entry->exercise, $session->entries()), true);
        $easing = new Easing($this->library, $this->steps);

        return $this->each($session, function (Entry $entry, ?Rung $rung) use ($easing, $today, $pain, $why, &$changes, &$used): ?Entry {
            if ($rung !== null && ExtraSet::side($entry) !== null) {
                $changes[] = new DoorChange('left-out', $rung->name, null, sprintf('Pain is %d, from 3 to 5: no extra set today.', $pain));

                return null;
            }
            $to = $rung === null ? null : $easing->of($rung, $entry->dose->measure, $today, $used);
            if ($rung === null || $to === null) {
                return $entry;
            }
            $used[$to->id] = true;
            $eased = $this->edit->onRung($entry, $to, 0, null, ['At the door: '.$why]);
            $changes[] = new DoorChange('eased', $rung->name, $to === $rung ? Wording::shown($eased->dose) : $to->name, $why);

            return $eased;
        });
    }

    /** @param  list<DoorChange>  $changes */
    private function inside(Session $session, Seconds $budget, array $changes): DoorSession
    {
        $minutes = new MinutesLeft($session, $this->library);
        $left = $minutes->into($budget);
        if ($left === null) {
            return new DoorSession(null, $changes, false, sprintf('Even its last exercise takes longer than %s.', $budget->toClock()));
        }
        if (! $left->warmUp->equals($session->warmUp) || ! $left->coolDown->equals($session->coolDown)) {
            $changes[] = new DoorChange('cut', 'Warm-up and cool-down', null, sprintf(
                'To fit %s: %s and %s instead of %s and %s.',
                $budget->toClock(),
                $left->warmUp->toClock(),
                $left->coolDown->toClock(),
                $session->warmUp->toClock(),
                $session->coolDown->toClock(),
            ));
        }
        foreach ((new CutFrom($session, $this->library))->lost($left) as [$what, $costs]) {
            $changes[] = new DoorChange('cut', $what, null, sprintf('To fit %s. Lost: %s.', $budget->toClock(), $costs));
        }

        return new DoorSession($changes === [] ? $left : $left->withClaimed(SessionTime::total($left, $this->library)), $changes);
    }

    /** @param  callable(Entry, ?Rung): ?Entry  $change */
    private function each(Session $session, callable $change): Session
    {
        $blocks = [];
        foreach ($session->blocks as $block) {
            $entries = array_values(
                array_filter(
                    array_map(fn (Entry $entry): ?Entry => $change($entry, $this->library->find($entry->exercise)), $block->entries()),
                ),
            );
            if ($entries !== [] || $block->entries() === []) {
                $blocks[] = $block->entries() === [] ? $block : $block->withEntries($entries);
            }
        }

        return $session->withBlocks($blocks);
    }
}
