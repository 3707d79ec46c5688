<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Time\Seconds;

/**
 * How long a session takes, as a function of the session alone: the library only says which names mean the same
 * exercise and which category its work counts for.
 */
final class SessionTime
{
    public const UNMATCHED = 'none';

    /**
     * @param  list<Segment>  $timeline
     * @param  list<Time>  $blocks
     * @param  list<list<Time>>  $entries  by block
     * @param  array<string, int>  $tensionMs  work by category code, `none` for names that match no rung
     * @param  list<string>  $unknown  names that match no rung
     */
    private function __construct(
        public readonly Time $time,
        public readonly array $timeline,
        public readonly array $blocks,
        public readonly array $entries,
        public readonly array $tensionMs,
        public readonly array $unknown,
    ) {
    }

    /**
     * Only the whole: what the timeline ends at.
     *
     * @throws InvalidValue when the session is longer than a day
     */
    public static function total(Session $session, Library $library): Seconds
    {
        return Timeline::length($session, $library);
    }

    /** @throws InvalidValue when the session is longer than a day */
    public static function of(Session $session, Library $library): self
    {
        $timeline = Timeline::of($session, $library);
        /** @var array<string, int> $whole */
        $whole = [];
        /** @var list<array<string, int>> $blocks */
        $blocks = array_map(static fn (): array => [], $session->blocks);
        /** @var list<list<array<string, int>>> $entries */
        $entries = array_map(static fn (Block $block): array => array_map(static fn (): array => [], $block->entries()), $session->blocks);
        $tension = [];
        foreach ($timeline as $segment) {
            $kind = $segment->kind->value;
            $ms = $segment->ms();
            $whole[$kind] = ($whole[$kind] ?? 0) + $ms;
            if ($segment->block === null) {
                continue;
            }
            $blocks[$segment->block][$kind] = ($blocks[$segment->block][$kind] ?? 0) + $ms;
            if ($segment->entry === null) {
                continue;
            }
            $entries[$segment->block][$segment->entry][$kind] = ($entries[$segment->block][$segment->entry][$kind] ?? 0) + $ms;
            if ($segment->kind === SegmentKind::Work) {
                $category = $library->find((string) $segment->exercise)->category->value ?? self::UNMATCHED;
                $tension[$category] = ($tension[$category] ?? 0) + $ms;
            }
        }
        $unknown = [];
        foreach ($session->entries() as $entry) {
            if ($library->find($entry->exercise) === null) {
                $unknown[$entry->exercise] = true;
            }
        }

        return new self(
            Time::of($whole),
            $timeline,
            array_values(array_map(Time::of(...), $blocks)),
            array_values(array_map(static fn (array $block): array => array_values(array_map(Time::of(...), $block)), $entries)),
            $tension,
            array_map(strval(...), array_keys($unknown)),
        );
    }
}
