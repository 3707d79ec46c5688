<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\OutOfRange;
use EvenRungs\Core\Time\Seconds;

/**
 * Lays a session out second by second. Times are sums over it, so the minutes and the timeline cannot disagree.
 */
final class Timeline
{
    /** @var list<Segment> */
    private array $segments = [];

    private int $now = 0;

    private ?int $block = null;

    private ?int $entry = null;

    private ?string $exercise = null;

    /** @param  bool  $keep  whether the segments are kept, or only their length is wanted */
    private function __construct(private readonly Session $session, private readonly Library $library, private readonly bool $keep)
    {
    }

    /**
     * Where the timeline ends.
     *
     * @throws InvalidValue when the session is longer than a day
     */
    public static function length(Session $session, Library $library): Seconds
    {
        $timeline = new self($session, $library, false);
        $timeline->lay();

        return Seconds::ofMs($timeline->now);
    }

    /**
     * @return list<Segment>
     *
     * @throws InvalidValue when the session is longer than a day
     */
    public static function of(Session $session, Library $library): array
    {
        $timeline = new self($session, $library, true);
        $timeline->lay();

        return $timeline->segments;
    }

    private function lay(): void
    {
        $prepared = $this->session->prepared;
        $this->prepare(SegmentKind::WarmUp, $this->session->warmUp, $prepared->warmUp);
        $last = count($this->session->blocks) - 1;
        foreach ($this->session->blocks as $i => $block) {
            if ($block instanceof RestBlock) {
                [$followed, $this->block, $this->entry] = [[$this->block, $this->entry], $i, null];
                $this->add(SegmentKind::Rest, $block->rest);
                if ($i < $last) {
                    $this->add(SegmentKind::Rest, $block->restAfter());
                }
                [$this->block, $this->entry] = $followed;

                continue;
            }
            if ($block instanceof CircuitBlock) {
                $this->circuit($i, $block);
            } else {
                $this->straight($i, $block);
            }
            if ($i < $last) {
                $this->add(SegmentKind::Rest, $block->restAfter());
            }
        }
        [$this->block, $this->entry] = [null, null];
        $this->prepare(SegmentKind::CoolDown, $this->session->coolDown, $prepared->coolDown);
    }

    /** @param  list<array{string, Seconds}>  $moves  none where nobody said what it is made of */
    private function prepare(SegmentKind $kind, Seconds $time, array $moves): void
    {
        foreach ($moves as [$this->exercise, $takes]) {
            $this->add($kind, $takes);
        }
        $this->exercise = null;
        $this->add($kind, Seconds::ofMs($time->ms - Prepared::total($moves)->ms));
    }

    private function straight(int $place, Block $block): void
    {
        $entries = $block->entries();
        foreach ($entries as $i => $entry) {
            $this->moveTo($place, $i, $entry);
            for ($set = 1; $set <= $entry->dose->sets; $set++) {
                $this->set($entry, $set, null);
                if ($i < count($entries) - 1 || $set < $entry->dose->sets) {
                    $this->add(SegmentKind::Rest, $entry->dose->rest ?? Seconds::zero(), set: $set);
                }
            }
        }
    }

    private function circuit(int $place, CircuitBlock $block): void
    {
        $entries = $block->entries();
        for ($round = 1; $round <= $block->rounds; $round++) {
            foreach ($entries as $i => $entry) {
                $this->moveTo($place, $i, $entry);
                $this->set($entry, 1, $round);
                $endsRound = $i === count($entries) - 1;
                if (! $endsRound || $round < $block->rounds) {
                    $this->add(SegmentKind::Rest, $entry->dose->rest ?? Seconds::zero(), set: 1, round: $round);
                }
                if ($endsRound && $round < $block->rounds) {
                    $this->add(SegmentKind::Rest, $block->roundRest, set: 1, round: $round);
                }
            }
        }
    }

    private function moveTo(int $block, int $place, Entry $entry): void
    {
        if ($this->exercise !== null && $this->library->identity($this->exercise) !== $this->library->identity($entry->exercise)) {
            $this->add(SegmentKind::Station, $this->session->change->station);
        }
        [$this->block, $this->entry, $this->exercise] = [$block, $place, $entry->exercise];
    }

    private function set(Entry $entry, int $set, ?int $round): void
    {
        $measure = $entry->dose->measure;
        $side = $entry->dose->side ?? Side::Both;
        if ($side === Side::Each) {
            $left = $measure instanceof Work ? Seconds::ofMs(intdiv($measure->work()->ms, 2)) : null;
            $right = $left === null ? null : Seconds::ofMs($measure->work()->ms - $left->ms);
            $this->effort($entry, 'left', $set, $round, $left);
            $this->add(SegmentKind::Side, $this->session->change->side, set: $set, round: $round);
            $this->effort($entry, 'right', $set, $round, $right);
        } else {
            $work = $side === Side::Alternate ? $measure->work()->times(2) : null;
            $this->effort($entry, $side->value, $set, $round, $work);
        }
    }

    /**
     * @param  'both'|'left'|'right'|'alternate'  $side
     * @param  ?Seconds  $work  where it is not the measure's own
     */
    private function effort(Entry $entry, string $side, int $set, ?int $round, ?Seconds $work): void
    {
        $measure = $entry->dose->measure;
        if (! $measure instanceof Intervals) {
            $this->add(SegmentKind::Work, $work ?? $measure->work(), $side, $set, $round);

            return;
        }
        for ($repeat = 1; $repeat <= $measure->count; $repeat++) {
            $this->add(SegmentKind::Work, $measure->hold, $side, $set, $round, $repeat, $measure->count);
            if ($repeat < $measure->count) {
                $this->add(SegmentKind::Rest, $measure->break, $side, $set, $round);
            }
        }
    }

    /** @param  'both'|'left'|'right'|'alternate'|null  $side */
    private function add(
        SegmentKind $kind,
        Seconds $time,
        ?string $side = null,
        ?int $set = null,
        ?int $round = null,
        ?int $repeat = null,
        ?int $repeats = null,
    ): void {
        if ($time->isZero()) {
            return;
        }
        $end = $this->now + $time->ms;
        if ($end > Session::LONGEST_S * 1000) {
            throw OutOfRange::because(sprintf('the session is longer than a day (%s s)', number_format(Session::LONGEST_S)));
        }
        if ($this->keep) {
            $this->segments[] = new Segment(
                $this->now,
                $end,
                $kind,
                $this->block,
                $this->entry,
                $this->exercise,
                $side,
                $set,
                $round,
                $repeat,
                $repeats,
            );
        }
        $this->now = $end;
    }
}
