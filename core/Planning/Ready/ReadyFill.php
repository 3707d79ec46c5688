<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Ready;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Session\Preparation;
use EvenRungs\Core\Planning\Session\SessionWriter;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Fit;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;

/**
 * Fills a ready session with what a client may do where they stand; for nobody in particular with what needs no kit.
 */
final class ReadyFill
{
    private readonly Steps $steps;

    private readonly Moves $moves;

    /** @var array<string, Placement> by ladder */
    private readonly array $placed;

    /** @param  ?Client  $client  null for nobody in particular */
    public function __construct(
        private readonly Library $library,
        private readonly Style $style,
        private readonly ?GoalRule $goal,
        private readonly ?Client $client,
    ) {
        $this->steps = new Steps($style, $client);
        $this->moves = new Moves($library, $goal, $style);
        $placements = $client === null ? [] : (new Placer($library, $style))->place($client);
        $this->placed = array_combine(array_map(static fn (Placement $each): string => $each->ladder->id, $placements), $placements);
    }

    /** @return ?Session null where nothing of it is open to the client */
    public function on(Weekday $day, ReadySession $ready): ?Session
    {
        $entries = [];
        foreach ($ready->items as $item) {
            $taken = array_map(static fn (Entry $entry): string => $entry->exercise, $entries);
            $rung = $this->rung($item, $ready, $taken);
            if ($rung !== null) {
                $entries[] = new Entry(
                    $rung->id,
                    $this->dose($rung, $item, $ready),
                    null,
                    new Planned($rung->category, $rung->level, $rung->ladder, [sprintf('%s has it.', $ready->name)]),
                );
            }
        }
        if ($entries === []) {
            return null;
        }
        $block = $ready->rounds === null
            ? new StraightBlock($entries, Seconds::zero())
            : new CircuitBlock($entries, $ready->rounds, Seconds::zero(), Seconds::zero());
        // in timed circuits people change inside the rest
        $change = $ready->work === null ? Change::usual() : Change::none();
        $session = new Session($day, $ready->kind, [$block], Seconds::zero(), Seconds::zero(), $change);
        if ($this->client !== null) {
            $slot = new Slot($day, $ready->kind, true, $ready->length, []);
            $session = $session->prepared((new Preparation($this->library))->of($slot, $this->client));
        }
        $session = (new Fit($this->library))->into($session, $ready->length);

        return $session?->withClaimed(SessionTime::total($session, $this->library));
    }

    /** @param  list<string>  $taken  exercises that it has already */
    private function rung(ReadyItem $item, ReadySession $ready, array $taken): ?Rung
    {
        $best = null;
        foreach ($this->library->ladders as $ladder) {
            $isMeant = $item->category === null ? in_array($ladder->id, $item->ladders, true) : $ladder->category === $item->category;
            $rung = $isMeant ? $this->onLadder($ladder, $ready, $taken) : null;
            if ($rung !== null && ($best === null || $rung->level->value > $best->level->value)) {
                $best = $rung;
            }
        }

        return $best;
    }

    /**
     * The highest rung up to where the client stands that is open and has a position that is meant.
     *
     * @param  list<string>  $taken
     */
    private function onLadder(Ladder $ladder, ReadySession $ready, array $taken): ?Rung
    {
        $own = $this->placed[$ladder->id]->rung ?? null;
        foreach (array_reverse($ladder->rungs) as $rung) {
            $isUpTo = $this->client === null
                ? $rung->level->value <= Level::OF_NOBODY && $rung->equipment === [] && $rung->requires === []
                : $own !== null && $ladder->indexOf($rung->id) <= $ladder->indexOf($own->id) && $this->moves->isOpen($rung, $this->client);
            $isThere = $ready->positions === [] || in_array($rung->position, $ready->positions, true);
            if ($isUpTo && $isThere && ! in_array($rung->id, $taken, true)) {
                return $rung;
            }
        }

        return null;
    }

    private function dose(Rung $rung, ReadyItem $item, ReadySession $ready): Dose
    {
        $placement = $this->placed[$rung->ladder] ?? null;
        $isOwn = $placement?->rung === $rung;
        $dose = $this->steps->dose($rung, $isOwn ? $placement->step : 0, $isOwn ? $placement->range : null);
        $measure = $dose->measure;
        if ($item->pieces !== null && ($measure instanceof Hold || $measure instanceof Intervals)) {
            $dose = $dose->withMeasure($this->pieces($item->pieces, $measure->longestHold(), $rung));
        } elseif ($item->reps !== null && $measure instanceof Reps) {
            $dose = $dose->withMeasure(new Reps($item->reps, $measure->tempo, $measure->hold));
        }
        if ($ready->work !== null) {
            $side = $rung->side === Side::Both ? Side::Both : Side::Each;
            $dose = $dose->withMeasure(new Work($ready->work))->withSide($side)->withRange(null);
        }
        if ($ready->rounds !== null) {
            return $dose->withSets(1)->withRest($ready->rest ?? Seconds::of(SessionWriter::CIRCUIT_REST_S));
        }
        $most = $this->goal->mostSets ?? GoalRule::USUAL_MOST_SETS;

        return $dose->withSets($ready->kind === Kind::Activation ? 1 : min($ready->sets ?? $this->goal->sets ?? 2, $most));
    }

    /**
     * About as long in all, in pieces no longer than the client holds it now and the style's cap allows, and no more in all than twice the
     * top of the rung's steps.
     */
    private function pieces(Intervals $meant, Seconds $own, Rung $rung): Intervals
    {
        $cap = $this->steps->cap() ?? $meant->hold;
        $hold = Seconds::ofMs(min($meant->hold->ms, $own->ms, $cap->ms));
        $steps = $this->steps->of($rung);
        $top = $steps[count($steps) - 1]->measure->work()->ms;
        $count = min((int) ceil($meant->count * $meant->hold->ms / $hold->ms), intdiv(2 * $top, $hold->ms));

        return new Intervals(max(1, $count), $hold, $meant->break);
    }
}
