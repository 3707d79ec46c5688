<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Edit;

use EvenRungs\Core\Ladder\Rung;

/**
 * What became of one exercise when a program was copied to another client.
 */
final class CopyChange
{
    /**
     * @param  ?Rung  $to  null where it was left out
     * @param  list<string>  $why
     */
    public function __construct(public readonly Rung $from, public readonly ?Rung $to, public readonly array $why)
    {
    }
}
