<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Program\Block;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Extras;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Planned;
use EvenRungs\Core\Program\Prepared;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;

/**
 * `even-rungs/session`.
 */
final class SessionJson
{
    public const FORMAT = 'even-rungs/session';

    /**
     * @throws UnusableInput
     */
    public static function read(Node $node): Session
    {
        $change = $node->optionalChild('change');
        $claimed = $node->optionalNumber('claimed_s');

        return new Session(
            Weekday::from($node->string('day')),
            Kind::from($node->string('kind')),
            $node->each('blocks', self::readBlock(...)),
            self::seconds($node, 'warm_up_s'),
            self::seconds($node, 'cool_down_s'),
            $change === null ? Change::none() : new Change(self::seconds($change, 'side_s'), self::seconds($change, 'station_s')),
            $claimed === null ? null : Seconds::of($claimed),
            new Extras($node->opaque('x')),
            new Prepared($node->each('warm_up', self::readMove(...)), $node->each('cool_down', self::readMove(...))),
        );
    }

    /** @return array{string, Seconds} */
    private static function readMove(Node $node): array
    {
        return [$node->string('what'), Seconds::of($node->number('s'))];
    }

    /**
     * @param  list<array{string, Seconds}>  $moves
     * @return array<string, list<array{what: string, s: int|float}>>
     */
    private static function writeMoves(string $part, array $moves): array
    {
        return $moves === [] ? [] : [$part => array_map(
            static fn (array $move): array => ['what' => $move[0], 's' => $move[1]->toNumber()],
            $moves,
        )];
    }

    private static function readBlock(Node $node): Block
    {
        $after = self::seconds($node, 'rest_after_s');

        return match ($node->string('type')) {
            'circuit' => new CircuitBlock(
                $node->each('entries', self::readEntry(...)),
                $node->int('rounds'),
                self::seconds($node, 'round_rest_s'),
                $after,
            ),
            'rest' => new RestBlock(self::seconds($node, 'rest_s'), $after),
            default => new StraightBlock($node->each('entries', self::readEntry(...)), $after),
        };
    }

    private static function readEntry(Node $node): Entry
    {
        $planned = $node->has('category')
            ? new Planned(
                Category::from($node->string('category')),
                Level::of($node->int('level')),
                $node->string('ladder'),
                $node->strings('why'),
            )
            : null;

        return new Entry(
            $node->string('exercise'),
            DoseJson::read($node),
            $node->optionalString('note'),
            $planned,
            new Extras($node->opaque('x')),
        );
    }

    private static function seconds(Node $node, string $key): Seconds
    {
        return Seconds::of($node->optionalNumber($key) ?? 0);
    }

    /** @return array<string, mixed> */
    public static function write(Session $session): array
    {
        return [
            'format' => self::FORMAT,
            'version' => 1,
            'day' => $session->day->value,
            'kind' => $session->kind->value,
            'warm_up_s' => $session->warmUp->toNumber(),
            'cool_down_s' => $session->coolDown->toNumber(),
            ...self::writeMoves('warm_up', $session->prepared->warmUp),
            ...self::writeMoves('cool_down', $session->prepared->coolDown),
            ...($session->claimed === null ? [] : ['claimed_s' => $session->claimed->toNumber()]),
            'change' => ['side_s' => $session->change->side->toNumber(), 'station_s' => $session->change->station->toNumber()],
            'blocks' => array_map(self::writeBlock(...), $session->blocks),
            ...($session->x->areWritten() ? ['x' => (object) $session->x->toArray()] : []),
        ];
    }

    /** @return array<string, mixed> */
    private static function writeBlock(Block $block): array
    {
        $after = $block->restAfter()->toNumber();

        return match (true) {
            $block instanceof CircuitBlock => [
                'type' => 'circuit',
                'rounds' => $block->rounds,
                'round_rest_s' => $block->roundRest->toNumber(),
                'rest_after_s' => $after,
                'entries' => array_map(static fn (Entry $entry): array => self::writeEntry($entry, true), $block->entries()),
            ],
            $block instanceof RestBlock => ['type' => 'rest', 'rest_s' => $block->rest->toNumber(), 'rest_after_s' => $after],
            $block instanceof StraightBlock => [
                'type' => 'straight',
                'rest_after_s' => $after,
                'entries' => array_map(static fn (Entry $entry): array => self::writeEntry($entry, false), $block->entries()),
            ],
            default => throw Contradiction::because('a block that has no JSON form'),
        };
    }

    /** @return array<string, mixed> */
    private static function writeEntry(Entry $entry, bool $inCircuit): array
    {
        return [
            'exercise' => $entry->exercise,
            ...DoseJson::write($entry->dose, $inCircuit),
            ...($entry->note === null ? [] : ['note' => $entry->note]),
            ...($entry->planned === null ? [] : [
                'category' => $entry->planned->category->value,
                'level' => $entry->planned->level->value,
                'ladder' => $entry->planned->ladder,
                'why' => $entry->planned->why,
            ]),
            ...($entry->x->areWritten() ? ['x' => (object) $entry->x->toArray()] : []),
        ];
    }
}
