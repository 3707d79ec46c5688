<?php

declare(strict_types=1);

namespace App\Planning;

use App\Clients\ClientDocument;
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
        $other->document = ClientDocument::wished($client->document, $wishes);
        $other->style = $wishes->optionalString('style') ?? $client->style;
        if ($wishes->has('style')) {
            $this->planner->checkStyle($wishes->string('style'));
        }

        return $this->boards->load($other)->with($this->planner->plannedAnew($other));
    }
}
