<?php

declare(strict_types=1);

namespace EvenRungs\Core\Session;

use EvenRungs\Core\Body\Client;

/**
 * Weeks of sessions, for one client or for anyone.
 */
final class Program
{
    /**
     * @param  list<Week>  $weeks
     * @param  list<Gap>  $gaps
     * @param  array<string, mixed>|null  $x  carried along untouched
     */
    public function __construct(
        public readonly array $weeks,
        public readonly ?string $title = null,
        public readonly ?string $style = null,
        public readonly ?Client $client = null,
        public readonly array $gaps = [],
        public readonly ?array $x = null,
    ) {
    }

    /** @param  list<Week>  $weeks */
    public function withWeeks(array $weeks): self
    {
        return new self($weeks, $this->title, $this->style, $this->client, $this->gaps, $this->x);
    }

    /**
     * The program with every session passed through a function.
     *
     * @param  callable(Session, Week): Session  $change
     */
    public function mapSessions(callable $change): self
    {
        return $this->withWeeks(array_map(
            static fn (Week $week): Week => $week->withSessions(array_map(static fn (Session $session): Session => $change($session, $week), $week->sessions)),
            $this->weeks,
        ));
    }
}
