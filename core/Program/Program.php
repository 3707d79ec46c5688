<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\UnknownName;

/**
 * Weeks of sessions, for one client or for anyone.
 */
final class Program
{
    /**
     * @param  list<Week>  $weeks
     * @param  list<Gap>  $gaps
     * @param  list<Note>  $notes
     */
    public function __construct(
        public readonly array $weeks,
        public readonly ?string $title = null,
        public readonly ?string $style = null,
        public readonly ?Client $client = null,
        public readonly array $gaps = [],
        public readonly Extras $x = new Extras,
        public readonly array $notes = [],
    ) {
    }

    /** @param  list<Week>  $weeks */
    public function withWeeks(array $weeks): self
    {
        return new self($weeks, $this->title, $this->style, $this->client, $this->gaps, $this->x, $this->notes);
    }

    public function withX(Extras $x): self
    {
        return new self($this->weeks, $this->title, $this->style, $this->client, $this->gaps, $x, $this->notes);
    }

    /** @param  list<Gap>  $gaps */
    public function withGaps(array $gaps): self
    {
        return new self($this->weeks, $this->title, $this->style, $this->client, $gaps, $this->x, $this->notes);
    }

    /**
     * The program with every session passed through a function.
     *
     * @param  callable(Session, Week): Session  $change
     */
    public function mapSessions(callable $change): self
    {
        return $this->withWeeks(array_map(
            static fn (Week $week): Week => $week->withSessions(
                array_map(static fn (Session $session): Session => $change($session, $week), $week->sessions),
            ),
            $this->weeks,
        ));
    }

    /**
     * The program with one session changed, or taken out.
     *
     * @param  int  $week  place in the program, from 0; likewise the session
     * @param  callable(Session): ?Session  $change
     *
     * @throws InvalidValue when there is no such session
     */
    public function changeSession(int $week, int $session, callable $change): self
    {
        $weeks = $this->weeks;
        $found = $weeks[$week] ?? throw UnknownName::because('there is no such session in the program');
        $sessions = $found->sessions;
        $changed = $change($sessions[$session] ?? throw UnknownName::because('there is no such session in the program'));
        array_splice($sessions, $session, 1, $changed === null ? [] : [$changed]);
        $weeks[$week] = $found->withSessions($sessions);

        return $this->withWeeks(array_values($weeks));
    }
}
