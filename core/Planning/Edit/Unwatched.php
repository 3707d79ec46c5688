<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Edit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;

/**
 * What of a session may be done where nobody watches: rungs that were seen done clean, with the kit that is there, and nothing that is
 * barred, whoever insisted on it (common practice, no source).
 */
final class Unwatched
{
    /** @param  list<string>  $logged  ids of rungs that a watched log shows clean */
    public function __construct(
        private readonly Library $library,
        private readonly Client $client,
        private readonly array $logged,
    ) {
    }

    /** Null where nothing of it is left. */
    public function session(Session $session): ?Session
    {
        $blocks = [];
        foreach ($session->blocks as $block) {
            $entries = array_values(array_filter($block->entries(), fn (Entry $entry): bool => $this->against($entry) === null));
            if ($entries !== []) {
                $blocks[] = $block->withEntries($entries);
            }
        }
        $left = $session->withBlocks($blocks);

        return $left->entries() === [] ? null : $left->withClaimed(SessionTime::total($left, $this->library));
    }

    /** @return list<string> what is left out of it and why, a sentence each */
    public function leftOut(Session $session): array
    {
        $against = [];
        foreach ($session->entries() as $entry) {
            $why = $this->against($entry);
            if ($why !== null) {
                $against[] = sprintf('%s: %s.', $this->library->find($entry->exercise)->name ?? $entry->exercise, $why);
            }
        }

        return array_values(array_unique($against));
    }

    /** Why an exercise is not done unwatched; null where it may be. */
    private function against(Entry $entry): ?string
    {
        $rung = $this->library->find($entry->exercise);
        if ($rung === null) {
            return 'not an exercise of the library';
        }
        $there = $this->client->atHome();
        $obstacles = Obstacles::between($there, $rung, $this->library);

        return match (true) {
            ! $obstacles->isClear() => implode('; ', $obstacles->sentences($this->library)),
            ! $this->wasSeen($rung) => 'not shown clean yet by a log, a test or where the client stands',
            default => null,
        };
    }

    private function wasSeen(Rung $rung): bool
    {
        $standing = $this->client->standings[$rung->ladder] ?? null;

        return in_array($rung->id, $this->logged, true)
            || Shown::by($this->client)->wasSeen($rung, $this->library)
            || ($standing?->rung === $rung && ! $standing->basis->isAssumed());
    }
}
