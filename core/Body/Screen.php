<?php

declare(strict_types=1);

namespace EvenRungs\Core\Body;

/**
 * The answers of the screen. Where the flags were not asked there is no screen: unasked is not "no".
 */
final class Screen
{
    /**
     * @param  bool  $cleared  a clinician's clearance is recorded
     * @param  list<Flag>  $flags
     */
    public function __construct(public readonly bool $cleared, public readonly array $flags)
    {
    }
}
