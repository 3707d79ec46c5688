<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Group;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Ladder\Rung;

/**
 * What one person of a group does at one station.
 */
final class GroupPlace
{
    /**
     * @param  ?Rung  $rung  null where nothing that is allowed trains the station's direction
     * @param  ?Dose  $dose  what the person aims at inside the work time; null with the rung
     * @param  bool  $swapped  the rung stands on another ladder
     * @param  list<string>  $why
     */
    public function __construct(
        public readonly string $member,
        public readonly ?Rung $rung,
        public readonly ?Dose $dose,
        public readonly bool $swapped,
        public readonly array $why,
    ) {
    }
}
