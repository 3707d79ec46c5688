<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Client\Clearance;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Flag;
use EvenRungs\Core\Ladder\Library;

/**
 * What a licensed practitioner allowed again, as a client document says it.
 */
final class ClearanceJson
{
    /** @param  array<string, Flag>  $flags  by id */
    public function __construct(private readonly Library $library, private readonly array $flags, private readonly bool $stored)
    {
    }

    /** @throws UnusableInput when what it lifts is nothing that can be lifted */
    public function read(Node $node): Clearance
    {
        $lifts = $node->string('lifts');
        if (! Clearance::isNamed($lifts, $this->flags, $this->library, $this->stored)) {
            throw UnusableInput::at(
                $node->path('lifts'),
                sprintf('"%s" is no flag, limit, stop:LADDER, stop:all or monitored-pain', $lifts),
            );
        }
        [$on, $until] = [ClientJson::needed($node, 'on'), $node->optionalDay('until')];
        if ($until !== null && $until < $on) {
            throw UnusableInput::at($node->path('until'), 'lies before the day it begins');
        }

        return new Clearance(
            $lifts,
            $on,
            $until,
            $node->optionalInt('max_level'),
            $node->optionalString('by'),
            $node->optionalString('role'),
        );
    }

    /** @return array<string, mixed> */
    public static function write(Clearance $clearance): array
    {
        return array_filter([
            'lifts' => $clearance->lifts,
            'on' => $clearance->on->format('Y-m-d'),
            'until' => $clearance->until?->format('Y-m-d'),
            'max_level' => $clearance->maxLevel,
            'by' => $clearance->by,
            'role' => $clearance->role,
        ], static fn (mixed $value): bool => $value !== null);
    }
}
