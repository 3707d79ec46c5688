<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning;

use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Body\TrainingType;
use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Session\Day;
use EvenRungs\Core\Session\Kind;
use EvenRungs\Core\Style\Style;

/**
 * Decides which days may be hard, which stay light, and what stands before or after other training.
 *
 * Hard core days keep 48 h between them (Garber CE et al. (2011) Med Sci Sports Exerc 43(7):1334–1359, for resistance
 * training; value from memory) and stay off heavy-lift days and the days before them (common practice, no source).
 */
final class WeekSlots
{
    private const ENOUGH_HARD_DAYS = 2;

    public function __construct(private readonly Style $style)
    {
    }

    /** @return list<Slot> hard days first, longest first, then the light ones through the week */
    public function of(Client $client): array
    {
        $open = array_values(array_filter(Day::cases(), static fn (Day $day): bool => $client->minutesOn($day) > 0));
        $hard = $this->hardDays($open, $client);
        $light = array_values(array_filter($open, static fn (Day $day): bool => ! in_array($day, $hard, true)));
        $light = $this->leaveOneDayFree($hard, $light, $client);
        usort($hard, static fn (Day $a, Day $b): int => [$client->minutesOn($b), $a->number()] <=> [$client->minutesOn($a), $b->number()]);

        return [
            ...array_map(fn (Day $day): Slot => $this->hardSlot($day, $client), $hard),
            ...array_map(fn (Day $day): Slot => $this->lightSlot($day, count($hard), $client), $light),
        ];
    }

    /**
     * The most days that keep their distance; among equals the most minutes, then the fewest beside sport, then the earliest.
     *
     * @param  list<Day>  $open
     * @return list<Day>
     */
    private function hardDays(array $open, Client $client): array
    {
        $possible = array_values(array_filter($open, fn (Day $day): bool => ! $this->liftsHeavy($day->number(), $client) && ! $this->liftsHeavy($day->number() + 1, $client)));
        $best = [];
        $bestRank = null;
        for ($bits = 0; $bits < 1 << count($possible); $bits++) {
            $chosen = array_values(array_filter($possible, static fn (int $i): bool => ($bits >> $i & 1) === 1, ARRAY_FILTER_USE_KEY));
            if (count($chosen) > $this->style->mostHardDays || ! $this->apart($chosen)) {
                continue;
            }
            $rank = [
                count($chosen),
                array_sum(array_map(fn (Day $day): int => $this->length($day, Kind::Standalone, $client)->ms, $chosen)),
                -count(array_filter($chosen, static fn (Day $day): bool => array_intersect([TrainingType::Endurance->value, TrainingType::SkillSport->value], array_column($client->otherTrainingOn($day), 'value')) !== [])),
                array_map(static fn (Day $day): int => -$day->number(), $chosen),
            ];
            if ($bestRank === null || $rank > $bestRank) {
                [$best, $bestRank] = [$chosen, $rank];
            }
        }

        return $best;
    }

    /** @param  list<Day>  $days */
    private function apart(array $days): bool
    {
        foreach ($days as $i => $a) {
            foreach (array_slice($days, $i + 1) as $b) {
                $between = abs($a->number() - $b->number());
                if (min($between, 7 - $between) < 2) {
                    return false;
                }
            }
        }

        return true;
    }

    private function liftsHeavy(int $dayNumber, Client $client): bool
    {
        return in_array(TrainingType::HeavyLift, $client->otherTrainingOn(Day::cases()[$dayNumber % 7]), true);
    }

    /**
     * Drops light days until one day of the week has no training, the shortest first.
     *
     * @param  list<Day>  $hard
     * @param  list<Day>  $light
     * @return list<Day>
     */
    private function leaveOneDayFree(array $hard, array $light, Client $client): array
    {
        $elsewhere = array_values(array_filter(Day::cases(), static fn (Day $day): bool => array_diff(array_column($client->otherTrainingOn($day), 'value'), [TrainingType::Rest->value]) !== []));
        $busy = count(array_unique(array_column([...$hard, ...$light, ...$elsewhere], 'value')));
        $free = array_values(array_filter($light, static fn (Day $day): bool => ! in_array($day, $elsewhere, true)));
        if ($busy <= $this->style->mostTrainingDays || $free === []) {
            return $light;
        }
        usort($free, static fn (Day $a, Day $b): int => [$client->minutesOn($a), -$a->number()] <=> [$client->minutesOn($b), -$b->number()]);

        return array_values(array_filter($light, static fn (Day $day): bool => $day !== $free[0]));
    }

    private function hardSlot(Day $day, Client $client): Slot
    {
        $other = $client->otherTrainingOn($day);
        if (in_array(TrainingType::LightLift, $other, true)) {
            return $this->style->plan->coreFirst
                ? new Slot($day, Kind::BeforeLift, true, $this->length($day, Kind::Standalone, $client), [sprintf('Before the day\'s light lifting: %s puts the core first.', $this->style->name)])
                : new Slot($day, Kind::AfterLift, true, $this->length($day, Kind::Standalone, $client), ['After the day\'s light lifting.']);
        }
        $sport = in_array(TrainingType::Endurance, $other, true) || in_array(TrainingType::SkillSport, $other, true);

        return new Slot($day, Kind::Standalone, true, $this->length($day, Kind::Standalone, $client), $sport ? ['After the day\'s sport, so that the trunk is fresh for it.'] : []);
    }

    private function lightSlot(Day $day, int $hardDays, Client $client): Slot
    {
        if ($this->liftsHeavy($day->number(), $client)) {
            $kind = $hardDays >= self::ENOUGH_HARD_DAYS ? Kind::Activation : Kind::AfterLift;
            $why = $kind === Kind::Activation
                ? 'A heavy day: only a switch-on before the lift.'
                : 'A heavy day: a short finisher after the lift, under the line of a hard session.';

            return new Slot($day, $kind, false, $this->length($day, $kind, $client), [$why]);
        }
        $why = $this->liftsHeavy($day->number() + 1, $client)
            ? 'Light: a heavy lift follows tomorrow.'
            : 'Light: a hard session stands on a day beside it.';

        return new Slot($day, Kind::Standalone, false, $this->length($day, Kind::Standalone, $client), [$why]);
    }

    private function length(Day $day, Kind $kind, Client $client): Seconds
    {
        $given = Seconds::of(60 * $client->minutesOn($day));
        $most = $kind === Kind::Standalone ? $this->style->standaloneLength : $this->style->shortLength;

        return $given->isLongerThan($most) ? $most : $given;
    }
}
