<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Planning\Order\SessionOrder;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Extras;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * A session being filled. It refuses whatever would break the minutes, the hard-session line or the switch-on rules,
 * so that what it holds is always allowed.
 */
final class SessionDraft
{
    /** Rest between stations of a circuit, at most (common practice, no source). */
    private const CIRCUIT_REST_S = 20;

    private ?DraftItem $switchOn = null;

    /** @var list<DraftItem> */
    private array $items = [];

    /** @var array<int, true> places of items that take no further set */
    private array $full = [];

    public function __construct(
        private readonly Slot $slot,
        private readonly bool $circuit,
        private readonly Library $library,
        private readonly Style $style,
        private readonly GoalRule $goal,
    ) {
    }

    public function openWith(ExerciseChoice $choice, Dose $dose): bool
    {
        return $this->attempt(function () use ($choice, $dose): void {
            $this->switchOn = new DraftItem($choice, $dose, [...$choice->why, 'Switch-on first: brace and breathe before the work.']);
        });
    }

    /**
     * @param  Dose  $dose  with the sets it comes with; in a circuit it has as many as the others
     * @param  list<string>  $why
     */
    public function add(ExerciseChoice $choice, Dose $dose, array $why): bool
    {
        foreach ($this->items as $item) {
            if ($item->choice->rung === $choice->rung) {
                return false;
            }
        }

        return $this->attempt(function () use ($choice, $dose, $why): void {
            $sets = $this->circuit && $this->items !== [] ? $this->items[0]->dose->sets : $dose->sets;
            $this->items[] = new DraftItem($choice, $dose->withSets($sets), [...$choice->why, ...$why]);
        });
    }

    /** One set more of an item; in a circuit one round more of all. What was refused once stays refused: a draft only grows. */
    public function addSet(int $place): bool
    {
        if ($this->isFull($place)) {
            return false;
        }
        $added = $this->attempt(function () use ($place): void {
            foreach ($this->items as $i => $item) {
                if ($i === $place || $this->circuit) {
                    $this->items[$i] = $item->withOneSetMore();
                }
            }
        });
        if (! $added) {
            $this->full[$place] = true;
        }

        return $added;
    }

    /** Whether a further set of an item was refused. */
    public function isFull(int $place): bool
    {
        return isset($this->full[$place]);
    }

    /** @return list<DraftItem> in the order they were added, the switch-on left out */
    public function items(): array
    {
        return $this->items;
    }

    public function isEmpty(): bool
    {
        return $this->items === [];
    }

    /** @param  callable(): void  $change */
    private function attempt(callable $change): bool
    {
        [$switchOn, $items] = [$this->switchOn, $this->items];
        $change();
        if ($this->isAllowed()) {
            return true;
        }
        [$this->switchOn, $this->items] = [$switchOn, $items];

        return false;
    }

    private function isAllowed(): bool
    {
        $session = $this->unclaimed($this->items);
        if (! $this->fits(SessionTime::total($session, $this->library))) {
            return false;
        }
        if ($this->slot->mayBeHard && $this->slot->kind !== Kind::Activation) {
            return true;
        }
        $time = SessionTime::of($session, $this->library);
        if ($this->slot->kind === Kind::Activation) {
            foreach ($session->entries() as $entry) {
                if ($entry->dose->sets > 1 || $entry->dose->measure->longestHold()->isLongerThan($this->style->switchOnHold)) {
                    return false;
                }
            }

            return $time->time->workMs <= $this->style->switchOnTension->ms;
        }
        $sets = 0;
        $ms = 0;
        foreach ($this->items as $item) {
            if ($item->choice->rung->category->isDirection()) {
                $sets += $item->dose->sets;
            }
        }
        foreach (Category::directions() as $direction) {
            $ms += $time->tensionMs[$direction->value] ?? 0;
        }

        return $sets < $this->style->hardSets && $ms < $this->style->hardTension->ms;
    }

    /**
     * Whether the session keeps the minutes in the order it will have. Only the rest of what comes last depends on the order,
     * so most drafts need not be ordered to know.
     *
     * @param  Seconds  $unordered  what it takes with the items as they were added
     */
    private function fits(Seconds $unordered): bool
    {
        $rest = max([0, ...array_map(static fn (DraftItem $item): int => $item->dose->rest->ms ?? 0, $this->items)]);
        $room = $this->slot->length->ms - $unordered->ms;

        return $room >= $rest || (
            $room >= -$rest && ! SessionTime::total($this->ordered(), $this->library)->isLongerThan($this->slot->length)
        );
    }

    private function ordered(): Session
    {
        return $this->unclaimed(SessionOrder::arrange($this->items, $this->style));
    }

    public function session(): Session
    {
        $session = $this->ordered();

        return $session->withClaimed(SessionTime::total($session, $this->library));
    }

    /** @param  list<DraftItem>  $ordered  the items */
    private function unclaimed(array $ordered): Session
    {
        $blocks = [];
        if ($this->switchOn !== null) {
            $blocks[] = new StraightBlock([$this->entry($this->switchOn, $this->switchOn->dose)], Seconds::zero());
        }
        if ($ordered !== []) {
            $blocks[] = $this->circuit
                ? new CircuitBlock(array_map($this->station(...), $ordered), $this->items[0]->dose->sets, Seconds::zero(), Seconds::zero())
                : new StraightBlock(array_map(fn (DraftItem $item): Entry => $this->entry($item, $item->dose), $ordered), Seconds::zero());
        }

        return new Session(
            $this->slot->day,
            $this->slot->kind,
            $blocks,
            Seconds::zero(),
            Seconds::zero(),
            Change::usual(),
            null,
            new Extras($this->slot->why === [] ? null : ['why' => $this->slot->why, ...($this->slot->atHome ? ['place' => 'home'] : [])]),
        );
    }

    private function station(DraftItem $item): Entry
    {
        $rest = $item->dose->rest ?? Seconds::zero();
        $most = Seconds::of(self::CIRCUIT_REST_S);

        return $this->entry($item, $item->dose->withSets(1)->withRest($rest->isLongerThan($most) ? $most : $rest));
    }

    private function entry(DraftItem $item, Dose $dose): Entry
    {
        $rung = $item->choice->rung;

        $why = $item === $this->switchOn ? $item->why : [...$item->why, $this->whySets($item->dose->sets)];

        return new Entry($rung->id, $dose, null, new Planned($rung->category, $rung->level, $rung->ladder, $why));
    }

    private function whySets(int $sets): string
    {
        $what = $this->circuit ? 'round' : 'set';

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
