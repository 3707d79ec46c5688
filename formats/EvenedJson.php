<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Ladder;

/**
 * What evens a client out and belongs to the plan, not to what was typed: in the `x` of their document.
 */
final class EvenedJson
{
    /** Keys of `x` that belong to the plan and not to what was typed. */
    public const HELD = 'held';

    public const EXTRA_SETS = 'extra_sets';

    /** @return list<Category> what `x` says of held rungs; anything else in it is somebody else's */
    public static function held(Node $node): array
    {
        $held = $node->opaque('x')[self::HELD] ?? null;

        return array_values(
            array_filter(
                array_map(
                    static fn (mixed $code): ?Category => is_string($code) ? Category::tryFrom($code) : null,
                    is_array($held) ? $held : [],
                ),
            ),
        );
    }

    /** @return array<string, 'left'|'right'> by ladder; likewise */
    public static function extraSets(Node $node): array
    {
        $extra = $node->opaque('x')[self::EXTRA_SETS] ?? null;
        $sides = [];
        foreach (is_array($extra) ? $extra : [] as $ladder => $side) {
            if ($side === 'left' || $side === 'right') {
                $sides[(string) $ladder] = $side;
            }
        }

        return $sides;
    }

    /**
     * What evens a client out, as `x` of the document carries it.
     *
     * @param  list<Category>  $held
     * @param  array<string, 'left'|'right'>  $extraSets
     * @return array<string, mixed>
     */
    public static function write(array $held, array $extraSets): array
    {
        return [
            ...($held === [] ? [] : [self::HELD => array_map(static fn (Category $each): string => $each->value, $held)]),
            ...($extraSets === [] ? [] : [self::EXTRA_SETS => $extraSets]),
        ];
    }
}
