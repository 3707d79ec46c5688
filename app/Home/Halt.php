<?php

declare(strict_types=1);

namespace App\Home;

use App\Models\Client;
use App\Planning\BoardLoader;
use App\Planning\ClientPlanner;
use EvenRungs\Formats\Node;

/**
 * What keeps a client from a page that they were handed.
 */
final class Halt
{
    public function __construct(private readonly BoardLoader $boards, private readonly ClientPlanner $planner)
    {
    }

    /** Whether a stop, a flag or a limit stands against what a page holds. */
    public function against(Client $client, Node $document): bool
    {
        $person = $this->boards->person($client);
        $ladders = array_merge([], ...$document->each('sessions', static fn (Node $session): array => $session->child('plan')->each(
            'sets',
            static fn (Node $set): string => $set->string('ladder'),
        )));
        foreach (array_unique($ladders) as $ladder) {
            if (($person->standings[$ladder] ?? null)?->stopped !== null) {
                return true;
            }
        }

        return $this->planner->whyNot($client, $person) !== null;
    }
}
