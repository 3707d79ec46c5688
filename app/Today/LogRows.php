<?php

declare(strict_types=1);

namespace App\Today;

/**
 * A log as the columns of its session and of its sets.
 */
final class LogRows
{
    /** What may be said of a whole session. */
    private const SAID = ['soreness', 'pain_before', 'pain_next_day', 'pain_kind', 'effort', 'signs', 'readiness'];

    /**
     * @param  array<string, mixed>  $session
     * @param  list<array<string, mixed>>  $sets
     */
    public function __construct(public readonly array $session, public readonly array $sets)
    {
    }

    /** @param  array<string, mixed>  $more  columns of the session that go before what is there */
    public function with(array $more): self
    {
        return new self([...$this->session, ...$more], $this->sets);
    }

    /** ISO date of the session. */
    public function on(): string
    {
        return is_string($this->session['on']) ? $this->session['on'] : 'today';
    }

    /** The key of the planned session that it is of. */
    public function planned(): ?string
    {
        return is_string($this->session['planned']) ? $this->session['planned'] : null;
    }

    /** Whether a session was begun or anything was said of it: with neither it is none. */
    public function saysAnything(): bool
    {
        $said = array_filter(
            array_intersect_key($this->session, array_flip(self::SAID)),
            static fn (mixed $value): bool => $value !== null && $value !== [],
        );

        return $said !== [] || array_filter(
            $this->sets,
            static fn (array $set): bool => $set['done'] > 0
                || $set['pain'] !== null
                || $set['pain_kind'] !== null
                || ($set['faults'] ?? []) !== []
                || $set['ended_by'] !== null,
        ) !== [];
    }
}
