<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Ladder\MeantAngle;
use EvenRungs\Core\Ladder\RungLine;

/**
 * What a rung means its line to be.
 */
final class RungLineJson
{
    /** @throws UnusableInput */
    public static function read(?Node $node): ?RungLine
    {
        if ($node === null) {
            return null;
        }
        $side = $node->optionalChild('side');

        return new RungLine(
            $side === null ? [] : $side->each('joints', self::joint(...)),
            $side?->optionalString('leg'),
            $node->bool('behind'),
        );
    }

    private static function joint(Node $joint): MeantAngle
    {
        [$least, $most] = array_values($joint->child('meant')->numbers());

        return new MeantAngle(
            $joint->string('at') === 'knee' ? 'knee' : 'hip',
            (int) $least,
            (int) $most,
            $joint->optionalString('below'),
            $joint->optionalString('above'),
        );
    }

    /** @return array<string, mixed> */
    public static function write(RungLine $line): array
    {
        return [
            ...($line->joints === [] ? [] : ['side' => [
                ...($line->leg === null ? [] : ['leg' => $line->leg]),
                'joints' => array_map(static fn (MeantAngle $each): array => [
                    'at' => $each->joint,
                    'meant' => [$each->least, $each->most],
                    ...($each->below === null ? [] : ['below' => $each->below]),
                    ...($each->above === null ? [] : ['above' => $each->above]),
                ], $line->joints),
            ]]),
            ...($line->behind ? ['behind' => true] : []),
        ];
    }
}
