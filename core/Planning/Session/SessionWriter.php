<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Extras;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Prepared;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Time\Seconds;

/**
 * Writes what stands in a draft as a session, with the reason of every entry.
 */
final class SessionWriter
{
    /** Rest between stations of a circuit, at most (common practice, no source). */
    public const CIRCUIT_REST_S = 20;

    public function __construct(
        private readonly SlotDose $doses,
        private readonly GoalRule $goal,
        private readonly Prepared $prepared,
    ) {
    }

    /**
     * @param  ?DraftItem  $opening  what switches on first
     * @param  list<DraftItem>  $ordered  the others in the order they are done
     */
    public function write(?DraftItem $opening, array $ordered): Session
    {
        $slot = $this->doses->slot;
        $blocks = [];
        if ($opening !== null) {
            $blocks[] = new StraightBlock([$this->entry($opening, $opening->dose, $opening->why)], Seconds::zero());
        }
        if ($ordered !== []) {
            $blocks[] = $this->doses->circuit
                ? new CircuitBlock(array_map($this->station(...), $ordered), $ordered[0]->dose->sets, Seconds::zero(), Seconds::zero())
                : new StraightBlock(array_map($this->straight(...), $ordered), Seconds::zero());
        }

        return new Session(
            $slot->day,
            $slot->kind,
            $blocks,
            Prepared::total($this->prepared->warmUp),
            Prepared::total($this->prepared->coolDown),
            Change::usual(),
            null,
            new Extras($slot->why === [] ? null : ['why' => $slot->why, ...($slot->atHome ? ['place' => 'home'] : [])]),
            $this->prepared,
        );
    }

    private function station(DraftItem $item): Entry
    {
        $rest = $item->dose->rest ?? Seconds::zero();
        $most = Seconds::of(self::CIRCUIT_REST_S);

        return $this->entry(
            $item,
            $item->dose->withSets(1)->withRest($rest->isLongerThan($most) ? $most : $rest),
            [...$item->why, $this->whySets($item->dose->sets)],
        );
    }

    private function straight(DraftItem $item): Entry
    {
        return $this->entry($item, $item->dose, [...$item->why, $this->whySets($item->dose->sets)]);
    }

    /** @param  list<string>  $why */
    private function entry(DraftItem $item, Dose $dose, array $why): Entry
    {
        $rung = $item->choice->rung;

        return new Entry($rung->id, $dose, null, new Planned($rung->category, $rung->level, $rung->ladder, $why));
    }

    private function whySets(int $sets): string
    {
        $what = $this->doses->circuit ? 'round' : 'set';

        return sprintf(
            '%d %s%s: %s means %d, and %d at most where the minutes and the evenness of the directions allow.',
            $sets,
            $what,
            $sets === 1 ? '' : 's',
            lcfirst($this->goal->name),
            $this->goal->sets,
            $this->goal->mostSets,
        );
    }
}
