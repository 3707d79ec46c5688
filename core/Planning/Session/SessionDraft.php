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
 * What a session is to hold, before it is written: its switch-on and its exercises, and whether that keeps the minutes, the line of a hard
 * session and the rules of a switch-on.
 */
final class SessionDraft
{
    private ?DraftItem $switchOn = null;

    /** @var list<DraftItem> */
    private array $items = [];

    private readonly SessionWriter $writer;

    private readonly Slot $slot;

    public function __construct(
        public readonly SlotDose $doses,
        private readonly Library $library,
        private readonly Style $style,
        private readonly GoalRule $goal,
        Prepared $prepared,
    ) {
        $this->writer = new SessionWriter($doses, $goal, $prepared);
        $this->slot = $doses->slot;
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
        $other->items = [...array_values(array_filter(array_map($change, $this->items))), ...array_values($more)];

        return $other;
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

    /** @return list<DraftItem> in the order they were added, the switch-on left out */
    public function items(): array
    {
        return $this->items;
    }

    public function isEmpty(): bool
    {
        return $this->items === [];
    }

    public function total(): Seconds
    {
        return SessionTime::total($this->ordered(), $this->library);
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
