<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Edit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;

/**
 * Sessions without what limits, age, a clearance or a stop forbid a client now, unless the trainer keeps it all the same.
 */
final class Allowed
{
    /** What stands in the `x` of an entry that the trainer keeps in spite of what forbids it. */
    public const INSISTED = 'insisted';

    public function __construct(private readonly Library $library, private readonly Client $client)
    {
    }

    public function program(Program $program): Program
    {
        return $program->withWeeks(array_map(
            fn (Week $week): Week => $week->withSessions(array_values(array_filter(array_map($this->session(...), $week->sessions)))),
            $program->weeks,
        ));
    }

    /** Null where nothing of it is left. */
    public function session(Session $session): ?Session
    {
        if ($this->leftOut($session) === []) {
            return $session;
        }
        $blocks = [];
        foreach ($session->blocks as $block) {
            $entries = array_values(array_filter($block->entries(), fn (Entry $entry): bool => $this->against($entry) === null));
            if ($entries !== [] || $block->entries() === []) {
                $blocks[] = count($entries) === count($block->entries()) ? $block : $block->withEntries($entries);
            }
        }
        $allowed = $session->withBlocks($blocks);

        return $allowed->entries() === [] ? null : $allowed->withClaimed(SessionTime::total($allowed, $this->library));
    }

    /** @return list<Obstacles> what is left out of it, and what forbids that */
    public function leftOut(Session $session): array
    {
        return array_values(array_filter(array_map($this->against(...), $session->entries())));
    }

    private function against(Entry $entry): ?Obstacles
    {
        $rung = $this->library->find($entry->exercise);
        $obstacles = $rung === null || $entry->x->get(self::INSISTED) !== null
            ? null
            : Obstacles::between($this->client, $rung, $this->library);

        return $obstacles === null || $obstacles->isSafe() ? null : $obstacles;
    }
}
