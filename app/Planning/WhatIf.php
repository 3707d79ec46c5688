<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;

/**
 * The week as it would be if something else were so.
 */
final class WhatIf
{
    public function __construct(private readonly BoardLoader $boards, private readonly ClientPlanner $planner)
    {
    }

    /**
     * What the week would be with another style, other minutes or more limits. Nothing is stored.
     *
     * @throws UnusableInput when no week can be planned
     */
    public function of(Client $client, Node $wishes): Board
    {
        $other = $client->replicate(['version']);
        $other->id = $client->id;
        $other->version = $client->version;
        $document = $client->document;
        if ($wishes->has('days')) {
            $document['days'] = $wishes->ints('days');
        }
        $document['limits'] = [...($document['limits'] ?? []), ...$this->newLimits($document['limits'] ?? [], $wishes->strings('limits'))];
        $other->document = $document;
        $other->style = $wishes->optionalString('style') ?? $client->style;
        if ($wishes->has('style')) {
            $this->planner->checkStyle($wishes->string('style'));
        }

        return $this->boards->load($other)->with($this->planner->planned($other, 1));
    }

    /**
     * @param  list<mixed>  $known
     * @param  list<string>  $more
     * @return list<string> those that are not known yet
     */
    private function newLimits(array $known, array $more): array
    {
        $ids = array_map(static fn (mixed $limit): mixed => is_array($limit) ? $limit['limit'] ?? null : $limit, $known);

        return array_values(array_diff($more, array_filter($ids, is_string(...))));
    }
}
