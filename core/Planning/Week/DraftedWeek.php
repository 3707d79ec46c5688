<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;

/**
 * The sessions of a week as they were filled, before they are written.
 */
final class DraftedWeek
{
    /** @var list<Session> through the week */
    public readonly array $sessions;

    private readonly DirectionShares $shares;

    /**
     * @param  list<Slot>  $slots  that were to be filled
     * @param  list<SessionDraft>  $drafts  in the order they were filled
     */
    public function __construct(public readonly array $slots, public readonly array $drafts, private readonly Library $library)
    {
        $sessions = array_map(static fn (SessionDraft $draft): Session => $draft->session(), $drafts);
        usort($sessions, static fn (Session $a, Session $b): int => $a->day->number() <=> $b->day->number());
        $this->sessions = $sessions;
        $this->shares = DirectionShares::of(new Week(1, [], $sessions), $library);
    }

    /** @param  list<SessionDraft>  $drafts */
    public function with(array $drafts): self
    {
        return new self($this->slots, $drafts, $this->library);
    }

    /** @return array<string, int> how many sessions train each direction */
    public function covered(): array
    {
        return $this->ofDirections($this->shares->sessions);
    }

    /** Milliseconds of work in the four directions. */
    public function directionMs(): int
    {
        return array_sum($this->ofDirections($this->shares->ms));
    }

    /** Sets in the four directions. */
    public function directionSets(): int
    {
        return array_sum($this->ofDirections($this->shares->sets));
    }

    /** Milliseconds of work in all. */
    public function workMs(): int
    {
        return array_sum(
            array_map(fn (Session $session): int => SessionTime::of($session, $this->library)->time->workMs, $this->sessions),
        );
    }

    /**
     * @param  array<string, int>  $by  by category
     * @return array<string, int>
     */
    private function ofDirections(array $by): array
    {
        return array_intersect_key($by, array_flip(array_column(Category::directions(), 'value')));
    }
}
