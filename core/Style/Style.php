<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Time\Seconds;

/**
 * A house style: the answers to the questions on which practitioners disagree, and the numbers that follow from them.
 */
final class Style
{
    /** Clean sessions running that usually earn a step (common practice, no source). */
    public const USUAL_CLEAN = 2;

    /**
     * @param  list<StyleChoice>  $choices
     * @param  int  $directionSessions  sessions a week that each direction is meant to get
     * @param  int  $hardSets  from this many sets in the four directions a session is hard
     * @param  Seconds  $hardTension  from this much work in the four directions a session is hard
     * @param  int  $mostHardDays  hard sessions a week; 48 h apart, so at most 3
     * @param  Seconds  $holdCap  the longest unbroken hold
     * @param  Seconds  $switchOnTension  the most work in a switch-on session
     * @param  Seconds  $switchOnHold  the longest hold in a switch-on session
     * @param  Seconds  $standaloneLength  a stand-alone session grows to this and no further
     * @param  Seconds  $shortLength  a finisher or a switch-on session grows to this and no further
     * @param  int  $mostTrainingDays  days with a session in a week
     * @param  StylePlan  $plan  what follows for the plan beside the numbers
     * @param  int  $cleanSessions  clean sessions running that earn a step
     * @param  int  $daysOnRung  days on a rung before it may be left upward; 0 for none
     * @param  int  $mostEffort  0 to 10; more does not count as easy
     * @param  bool  $monitorsPain  pain of 3 to 5 may be trained through under a recorded clearance
     * @param  OrderWeights  $orderWeights  of the best order of a session
     * @param  WeekWeights  $weekWeights  of the best days of a week
     * @param  FilledWeights  $filledWeights  of the best filled sessions
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $summary,
        public readonly array $choices,
        public readonly int $directionSessions,
        public readonly int $hardSets,
        public readonly Seconds $hardTension,
        public readonly int $mostHardDays,
        public readonly Seconds $holdCap,
        public readonly Seconds $switchOnTension,
        public readonly Seconds $switchOnHold,
        public readonly Seconds $standaloneLength,
        public readonly Seconds $shortLength,
        public readonly int $mostTrainingDays,
        public readonly StylePlan $plan,
        public readonly int $cleanSessions,
        public readonly int $daysOnRung,
        public readonly int $mostEffort,
        public readonly bool $monitorsPain,
        public readonly OrderWeights $orderWeights,
        public readonly WeekWeights $weekWeights,
        public readonly FilledWeights $filledWeights,
    ) {
    }

    /** Time to the first fault is not for medical limits, rehab, under 18 or from 65, whatever the style. */
    public static function mayHoldToFault(Client $client): bool
    {
        $age = Age::of($client);

        return ! $client->hasMedicalLimit() && $client->goal !== Goal::Rehab && ! $age->isUnderAge() && ! $age->isOld();
    }

    /** The style for one client: where time to the first fault is not for them, the usual count of clean sessions stands in. */
    public function suiting(Client $client): self
    {
        if (! $this->plan->bySecond || self::mayHoldToFault($client)) {
            return $this;
        }

        return $this->planning($this->plan->notBySecond(), max(self::USUAL_CLEAN, $this->cleanSessions));
    }

    /** The same style with other answers for the plan. */
    public function planning(StylePlan $plan, ?int $cleanSessions = null): self
    {
        return new self(
            $this->id,
            $this->name,
            $this->summary,
            $this->choices,
            $this->directionSessions,
            $this->hardSets,
            $this->hardTension,
            $this->mostHardDays,
            $this->holdCap,
            $this->switchOnTension,
            $this->switchOnHold,
            $this->standaloneLength,
            $this->shortLength,
            $this->mostTrainingDays,
            $plan,
            $cleanSessions ?? $this->cleanSessions,
            $this->daysOnRung,
            $this->mostEffort,
            $this->monitorsPain,
            $this->orderWeights,
            $this->weekWeights,
            $this->filledWeights,
        );
    }

    /** @return list<string> the answers that are told to whoever trains */
    public function coaching(?Client $client = null): array
    {
        $told = array_filter($this->choicesFor($client), static fn (StyleChoice $choice): bool => $choice->coached);

        return array_values(
            array_map(static fn (StyleChoice $choice): string => sprintf('%s: %s.', $choice->question, lcfirst($choice->answer)), $told),
        );
    }

    /** @return list<string> how this style coaches a rung, limits before style */
    public function words(Rung $rung, ?Client $client = null): array
    {
        return array_values(array_unique(array_filter(
            array_map(static fn (StyleChoice $choice): ?string => $choice->wordsOn($rung), $this->choicesFor($client)),
            is_string(...),
        )));
    }

    /**
     * The same for many rungs.
     *
     * @param  list<Rung>  $rungs
     * @return array<string, list<string>> ids of the rungs by what is said on them
     */
    public function wordsOn(array $rungs, ?Client $client = null): array
    {
        $said = [];
        $choices = $this->choicesFor($client);
        foreach ($rungs as $rung) {
            foreach ($choices as $choice) {
                $words = $choice->wordsOn($rung);
                if ($words !== null && ! in_array($rung->id, $said[$words] ?? [], true)) {
                    $said[$words][] = $rung->id;
                }
            }
        }

        return $said;
    }

    /** @return list<StyleChoice> */
    private function choicesFor(?Client $client): array
    {
        return array_map(static fn (StyleChoice $choice): StyleChoice => $choice->suiting($client), $this->choices);
    }
}
