<?php

declare(strict_types=1);

namespace App\Copies;

/**
 * The numbers that a studio and what is in it keep when it goes to another database: devices and links know them.
 */
final readonly class SameIds
{
    /**
     * @param  array<string, string>  $people  by address
     * @param  list<string>  $clients  in the order of the take-out
     */
    public function __construct(public string $studio, public array $people, public array $clients)
    {
    }
}
