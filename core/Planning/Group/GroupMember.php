<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Group;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Planning\Door\DoorAnswers;

/**
 * One person of a group on a shared circuit.
 */
final class GroupMember
{
    /**
     * @param  string  $id  whatever names the person to the caller
     * @param  array<string, Placement>  $placements  by ladder
     * @param  DoorAnswers  $said  on arrival
     */
    public function __construct(
        public readonly string $id,
        public readonly Client $client,
        public readonly array $placements,
        public readonly DoorAnswers $said = new DoorAnswers,
    ) {
    }
}
