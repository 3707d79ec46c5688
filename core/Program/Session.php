<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Dose\Bounds;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Core\UnknownName;

/**
 * What is done on one day, block by block.
 */
final class Session
{
    public const MOST_BLOCKS = 50;

    public const MOST_ENTRIES = 50;

    /** Seconds in a day: a longer session is refused. */
    public const LONGEST_S = 86_400;

    /**
     * @param  list<Block>  $blocks  at most 50
     * @param  ?Seconds  $claimed  how long the writer says it takes
     * @param  Prepared  $prepared  what warm-up and cool-down are made of, in no more than their time
     *
     * @throws InvalidValue when out of range
     */
    public function __construct(
        public readonly Weekday $day,
        public readonly Kind $kind,
        public readonly array $blocks,
        public readonly Seconds $warmUp,
        public readonly Seconds $coolDown,
        public readonly Change $change,
        public readonly ?Seconds $claimed = null,
        public readonly Extras $x = new Extras,
        public readonly Prepared $prepared = new Prepared,
    ) {
        $prepared->checkWithin($warmUp, $coolDown);
        Bounds::WarmUp->check($warmUp->toNumber());
        Bounds::WarmUp->check($coolDown->toNumber());
        if (count($blocks) > self::MOST_BLOCKS) {
            throw OutOfRange::outside('the number of blocks', count($blocks), 0, self::MOST_BLOCKS);
        }
    }

    /**
     * @param  list<Entry>  $entries
     *
     * @throws InvalidValue outside 1 to 50
     */
    public static function checkEntryCount(array $entries): void
    {
        if ($entries === [] || count($entries) > self::MOST_ENTRIES) {
            throw OutOfRange::outside('the number of entries of a block', count($entries), 1, self::MOST_ENTRIES);
        }
    }

    /** @param  list<Block>  $blocks */
    public function withBlocks(array $blocks): self
    {
        return $this->having(blocks: $blocks);
    }

    public function withClaimed(?Seconds $claimed): self
    {
        return new self(
            $this->day,
            $this->kind,
            $this->blocks,
            $this->warmUp,
            $this->coolDown,
            $this->change,
            $claimed,
            $this->x,
            $this->prepared,
        );
    }

    /** @return list<Entry> of all blocks */
    public function entries(): array
    {
        return array_merge([], ...array_map(static fn (Block $block): array => $block->entries(), $this->blocks));
    }

    /**
     * The session with every entry passed through a function.
     *
     * @param  callable(Entry): Entry  $change
     */
    public function mapEntries(callable $change): self
    {
        $blocks = array_map(static function (Block $block) use ($change): Block {
            $entries = array_map($change, $block->entries());

            return $entries === $block->entries() ? $block : $block->withEntries($entries);
        }, $this->blocks);

        return $blocks === $this->blocks ? $this : $this->withBlocks($blocks);
    }

    /**
     * The session with one entry changed, or taken out with the block that it leaves empty.
     *
     * @param  int  $block  place in the session, from 0; likewise the entry
     * @param  callable(Entry): ?Entry  $change
     *
     * @throws InvalidValue when there is no such entry, or its block cannot take what it becomes
     */
    public function changeEntry(int $block, int $entry, callable $change): self
    {
        $blocks = $this->blocks;
        $entries = ($blocks[$block] ?? null)?->entries() ?? [];
        $changed = $change($entries[$entry] ?? throw UnknownName::because('there is no such entry in the program'));
        array_splice($entries, $entry, 1, $changed === null ? [] : [$changed]);
        if ($entries === []) {
            array_splice($blocks, $block, 1);
        } else {
            $blocks[$block] = $blocks[$block]->withEntries($entries);
        }

        return $this->withBlocks(array_values($blocks));
    }

    public function withX(Extras $x): self
    {
        return $this->having(x: $x);
    }

    /** The session with another warm-up and cool-down, as long as their moves. */
    public function prepared(Prepared $prepared): self
    {
        return $this->having(prepared: $prepared);
    }

    public function onDay(Weekday $day): self
    {
        return $this->having(day: $day);
    }

    public function asKind(Kind $kind): self
    {
        return $this->having(kind: $kind);
    }

    public function withChange(Change $change): self
    {
        return $this->having(change: $change);
    }

    /** @param  list<Block>|null  $blocks */
    private function having(
        ?Weekday $day = null,
        ?Kind $kind = null,
        ?array $blocks = null,
        ?Extras $x = null,
        ?Prepared $prepared = null,
        ?Change $change = null,
    ): self {
        return new self(
            $day ?? $this->day,
            $kind ?? $this->kind,
            $blocks ?? $this->blocks,
            $prepared === null ? $this->warmUp : Prepared::total($prepared->warmUp),
            $prepared === null ? $this->coolDown : Prepared::total($prepared->coolDown),
            $change ?? $this->change,
            $this->claimed,
            $x ?? $this->x,
            $prepared ?? $this->prepared,
        );
    }
}
