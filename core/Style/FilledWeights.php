<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

/**
 * What each thing is worth, or costs, in the filled sessions of a week, in points; the least is a second that a session leaves idle. House
 * rules, from data/weights.json; docs/rules.md says a sentence on each.
 */
final class FilledWeights
{
    /**
     * @param  int  $directionTrained  worth of each direction that the week trains at all
     * @param  int  $sessionOfDirection  worth of each session that trains a direction, up to what is meant a week
     * @param  int  $setMeant  worth of each set of a direction, up to the goal's sets in every session that is meant
     * @param  int  $setOfFirst  what such a set is worth more in a direction that the goal wants first
     * @param  int  $setInSession  worth of each set of a direction, up to the goal's sets in one session
     * @param  int  $setBeyond  worth of each set of a direction beyond what is meant a week
     * @param  int  $accessorySet  worth of each set of what is no direction, up to the goal's sets of its category in one session
     * @param  int  $chosenLadder  worth of each ladder of the trainer's choice that the week holds
     * @param  int  $behindBest  cost of each place that an exercise stands behind the best of its direction or category: the surest, then
     *     the highest level
     * @param  int  $laterAccessory  cost of each place that a category stands behind the first of what the style adds to the directions
     * @param  int  $setAlone  cost of each exercise with one set, outside circuits
     * @param  int  $extraSet  cost of each set of an exercise beyond what the goal means
     * @param  int  $evenSets  sets between the directions with the most and the least that count as even
     * @param  int  $unevenSet  cost of each further set between them; what the goal wants first counts half
     * @param  int  $evenSeconds  seconds of work between the directions with the most and the least that count as even
     * @param  int  $unevenSecond  cost of each further second of work between them
     * @param  int  $rolePercent  per cent of the work by which a role may miss its share, in styles that have shares
     * @param  int  $roleSecond  cost of each second of work by which a role misses its share by more
     * @param  int  $secondTime  cost of each ladder that a week trains a second time, except for learners
     * @param  int  $thirdTime  cost of each time that a week trains a ladder beyond the second, except for learners
     * @param  int  $anotherLadder  cost of each ladder of a direction beyond the first, for learners, who repeat
     * @param  int  $usedPercent  per cent of its minutes that a hard session uses before anything is left free
     * @param  int  $unusedSecond  cost of each second that a hard session stays under that
     * @param  int  $filledPercent  per cent of its minutes that a session is filled to; the weeks after it grow into the rest
     * @param  int  $idleSecond  cost of each second that a session stays under that
     * @param  int  $fullSecond  cost of each second over that
     */
    public function __construct(
        public readonly int $directionTrained,
        public readonly int $sessionOfDirection,
        public readonly int $setMeant,
        public readonly int $setOfFirst,
        public readonly int $setInSession,
        public readonly int $setBeyond,
        public readonly int $accessorySet,
        public readonly int $chosenLadder,
        public readonly int $behindBest,
        public readonly int $laterAccessory,
        public readonly int $setAlone,
        public readonly int $extraSet,
        public readonly int $evenSets,
        public readonly int $unevenSet,
        public readonly int $evenSeconds,
        public readonly int $unevenSecond,
        public readonly int $rolePercent,
        public readonly int $roleSecond,
        public readonly int $secondTime,
        public readonly int $thirdTime,
        public readonly int $anotherLadder,
        public readonly int $usedPercent,
        public readonly int $unusedSecond,
        public readonly int $filledPercent,
        public readonly int $idleSecond,
        public readonly int $fullSecond,
    ) {
    }
}
