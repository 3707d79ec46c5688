<?php

declare(strict_types=1);

namespace App\Clients;

/**
 * The stops that a client's logs ask for, the newest of each.
 */
final class Stops
{
    /**
     * @param  array{on: string, kind: string}|null  $all  a stop of everything
     * @param  array<string, string>  $ladders  ISO date by ladder
     * @param  ?string  $newest  ISO date of the newest of all
     */
    public function __construct(public readonly ?array $all, private readonly array $ladders, public readonly ?string $newest)
    {
    }

    public function onLadder(string $ladder): ?string
    {
        return $this->ladders[$ladder] ?? null;
    }
}
