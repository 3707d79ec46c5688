<?php

declare(strict_types=1);

namespace EvenRungs\Core\Floor;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\SegmentKind;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Time\Seconds;

/**
 * The sets that a session asks for, and where on its timeline each is worked at: what the floor counts, and what the log has
 * a row for.
 */
final class RunSheet
{
    /**
     * @param  list<Segment>  $timeline  of the session
     * @return list<FloorSet> in the order of the timeline
     */
    public static function of(Session $session, array $timeline, Library $library): array
    {
        $sets = [];
        foreach ($timeline as $i => $segment) {
            if ($segment->kind !== SegmentKind::Work || $segment->block === null || $segment->entry === null) {
                continue;
            }
            $entry = $session->blocks[$segment->block]->entries()[$segment->entry];
            $alternates = $segment->side === 'alternate';
            foreach ($alternates ? ['left', 'right'] : [ExtraSet::side($entry) ?? $segment->side] as $side) {
                $key = implode(' ', [$segment->block, $segment->entry, $segment->set, $segment->round, $side]);
                if (! isset($sets[$key])) {
                    [$target, $unit] = FloorSet::measure($entry->dose, $segment->ms(), $library->find($entry->exercise));
                    $sets[$key] = new FloorSet(
                        $segment->block,
                        $segment->entry,
                        in_array($side, ['left', 'right'], true) ? $side : 'both',
                        $segment->round,
                        $target,
                        $alternates ? 2 * $unit : $unit,
                        [],
                    );
                }
                $sets[$key] = $sets[$key]->with(new FloorSpan($i, 0, $segment->ms()));
            }
        }

        return array_values($sets);
    }

    /**
     * The sets of one person at a station that a group works at for a time: a rung that is done side by side has half of it a side.
     *
     * @return list<FloorSet>
     */
    public static function ofMember(int $place, Segment $segment, Rung $rung, Dose $aim): array
    {
        $sides = $aim->isPerSide() ? ['left', 'right'] : ['both'];
        $share = intdiv($segment->ms(), count($sides));
        $sets = [];
        foreach ($sides as $i => $side) {
            [$target, $unit] = FloorSet::measure(new Dose(new Work(Seconds::ofMs($segment->ms()))), $share, $rung, $aim);
            $sets[] = new FloorSet(
                (int) $segment->block,
                (int) $segment->entry,
                $side,
                $segment->round,
                $target,
                $unit,
                [new FloorSpan($place, $i * $share, ($i + 1) * $share)],
                $target < $aim->measure->amount(),
            );
        }

        return $sets;
    }
}
