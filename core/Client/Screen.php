<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use DateTimeImmutable;

/**
 * The answers of the screen. Where the flags were not asked there is no screen: unasked is not "no".
 */
final class Screen
{
    /**
     * @param  bool  $cleared  the medical limits that are written are cleared, but for one that a clearance names
     * @param  list<Flag>  $flags
     * @param  ?DateTimeImmutable  $on  the day they were asked; null for the day that the client's document speaks of
     */
    public function __construct(public readonly bool $cleared, public readonly array $flags, public readonly ?DateTimeImmutable $on = null)
    {
    }
}
