<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Planning\Order\SessionOrder;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Prepared;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * A session being filled. It refuses whatever would break the minutes, the hard-session line or the switch-on rules,
 * so that what it holds is always allowed.
 */
final class SessionDraft
{
    /** Of the minutes, so much is used before anything is left free, and no more than this is filled at first (house rules). */
    public const USED_PERCENT = 85;

    private const FILLED_PERCENT = 93;

    private ?DraftItem $switchOn = null;

    /** @var list<DraftItem> */
    private array $items = [];

    private bool $keepsRoom = false;

    /** @var array<int, true> places of items that take no further set */
    private array $full = [];

    private readonly SessionWriter $writer;

    private readonly Slot $slot;

    private readonly bool $circuit;

    public function __construct(
        public readonly SlotDose $doses,
        private readonly Library $library,
        private readonly Style $style,
        private readonly GoalRule $goal,
        Prepared $prepared,
    ) {
        $this->writer = new SessionWriter($doses, $goal, $prepared);
        $this->slot = $doses->slot;
        $this->circuit = $doses->circuit;
    }

    public function openWith(DraftItem $item): bool
    {
        return $this->attempt(function () use ($item): void {
            $this->switchOn = $item;
        });
    }

    /** @param  DraftItem  $new  with the sets it comes with; in a circuit it has as many as the others */
    public function add(DraftItem $new): bool
    {
        foreach ($this->items as $item) {
            if ($item->choice->rung === $new->choice->rung) {
                return false;
            }
        }

        return $this->attempt(function () use ($new): void {
            $this->items[] = $this->circuit && $this->items !== [] ? $new->withSets($this->items[0]->dose->sets) : $new;
        });
    }

    /**
     * The same session with every exercise changed or taken out, whether it is allowed or not.
     *
     * @param  callable(DraftItem): ?DraftItem  $change
     * @param  DraftItem  ...$more  exercises that come to it
     */
    public function changed(callable $change, DraftItem ...$more): self
    {
        $other = clone $this;
        $other->full = [];
        $other->keepsRoom = false;
        $other->items = [...array_values(array_filter(array_map($change, $this->items))), ...array_values($more)];

        return $other;
    }

    /** From now on nothing is added into the room that the next weeks grow into. */
    public function keepRoomToGrow(): void
    {
        $this->keepsRoom = true;
    }

    public function openedBy(?DraftItem $item): self
    {
        $other = clone $this;
        $other->switchOn = $item;

        return $other;
    }

    public function opening(): ?DraftItem
    {
        return $this->switchOn;
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
                    $this->items[$i] = $item->withSets($item->dose->sets + 1);
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
        $usedMs = $this->keepsRoom ? $this->totalMs() : 0;
        $change();
        if ($this->isAllowed() && ($usedMs < self::USED_PERCENT * $this->slot->length->ms / 100 || $this->leavesRoom())) {
            return true;
        }
        [$this->switchOn, $this->items] = [$switchOn, $items];

        return false;
    }

    public function total(): Seconds
    {
        return SessionTime::total($this->ordered(), $this->library);
    }

    /** Whether it uses so much of its minutes that nothing more need come. */
    public function isUsed(): bool
    {
        return 100 * $this->total()->ms >= self::USED_PERCENT * $this->slot->length->ms;
    }

    private function totalMs(): int
    {
        return SessionTime::total($this->writer->write($this->switchOn, $this->items), $this->library)->ms;
    }

    private function leavesRoom(): bool
    {
        return ! $this->keepsRoom || $this->totalMs() <= self::FILLED_PERCENT * $this->slot->length->ms / 100;
    }

    /** Whether it keeps its minutes, the line of a hard session and the rules of a switch-on. */
    public function isAllowed(): bool
    {
        $session = $this->writer->write($this->switchOn, $this->items);
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
        return $this->writer->write($this->switchOn, SessionOrder::arrange($this->items, $this->style, $this->goal));
    }

    public function session(): Session
    {
        $session = $this->ordered();

        return $session->withClaimed(SessionTime::total($session, $this->library));
    }
}
