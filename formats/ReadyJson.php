<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Position;
use EvenRungs\Core\Planning\Ready\ReadyItem;
use EvenRungs\Core\Planning\Ready\ReadySession;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Time\Seconds;

/**
 * Reads the patterns of ready sessions.
 */
final class ReadyJson
{
    public static function read(Node $node): ReadySession
    {
        $circuit = $node->optionalChild('circuit');
        $seconds = static fn (?int $count): ?Seconds => $count === null ? null : Seconds::of($count);

        return new ReadySession(
            $node->string('id'),
            $node->string('name'),
            $node->string('text'),
            Kind::from($node->string('kind')),
            Seconds::of(60 * $node->int('minutes')),
            $node->optionalInt('sets'),
            $circuit?->int('rounds'),
            $seconds($circuit?->optionalInt('work_s')),
            $seconds($circuit?->optionalInt('rest_s')),
            array_map(Position::from(...), $node->strings('positions')),
            $node->each('items', self::readItem(...)),
        );
    }

    private static function readItem(Node $node): ReadyItem
    {
        $pieces = $node->optionalChild('pieces');
        $category = $node->optionalString('category');

        return new ReadyItem(
            $node->strings('ladders'),
            $category === null ? null : Category::from($category),
            $node->optionalInt('reps'),
            $pieces === null ? null : new Intervals(
                intdiv($pieces->int('total_s'), $pieces->int('piece_s')),
                Seconds::of($pieces->int('piece_s')),
                Seconds::of($pieces->int('rest_s')),
            ),
        );
    }
}
