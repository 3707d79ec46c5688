<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\TrainingType;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;

/**
 * What stands on each day of a week whose days are chosen: hard, light, before or after other training.
 *
 * Hard core days keep 48 h between them (Garber CE et al. (2011) Med Sci Sports Exerc 43(7):1334–1359, for resistance
 * training; value from memory) and stay off heavy-lift days and the days before them (common practice, no source).
 */
final class WeekSlots
{
    public function __construct(private readonly Style $style)
    {
    }

    /**
     * @param  list<DayUse>  $uses  of the days, Monday first
     * @param  list<Weekday>  $matches  days of a match
     * @return list<Slot> hard days first, longest first, then the others through the week
     */
    public function of(Client $client, array $uses, array $matches = []): array
    {
        $on = static fn (DayUse ...$wanted): array => array_values(
            array_filter(Weekday::cases(), static fn (Weekday $day): bool => in_array($uses[$day->number()], $wanted, true)),
        );
        $hard = $on(DayUse::Hard);
        usort(
            $hard,
            static fn (Weekday $a, Weekday $b): int => [$client->minutesOn($b), $a->number()] <=> [$client->minutesOn($a), $b->number()],
        );

        return [
            ...array_map(fn (Weekday $day): Slot => $this->hardSlot($day, $client), $hard),
            ...array_map(
                fn (Weekday $day): Slot => $this->lightSlot($day, $uses[$day->number()], in_array($day, $matches, true), $client),
                $on(DayUse::Light, DayUse::Finisher, DayUse::SwitchOn),
            ),
        ];
    }

    private function hardSlot(Weekday $day, Client $client): Slot
    {
        $other = $client->otherTrainingOn($day);
        if (in_array(TrainingType::LightLift, $other, true)) {
            return $this->style->plan->coreFirst
                ? new Slot(
                    $day,
                    Kind::BeforeLift,
                    true,
                    $this->length($day, Kind::Standalone, $client),
                    [sprintf('Before the day\'s light lifting: %s puts the core first.', $this->style->name)],
                )
                : new Slot(
                    $day,
                    Kind::AfterLift,
                    true,
                    $this->length($day, Kind::Standalone, $client),
                    ['After the day\'s light lifting.'],
                );
        }

        return new Slot(
            $day,
            $this->afterSport($day, $client) ? Kind::AfterSport : Kind::Standalone,
            true,
            $this->length($day, Kind::Standalone, $client),
            $this->afterSport($day, $client) ? ['After the day\'s sport, so that the trunk is fresh for it: evening, or another day.'] : [],
        );
    }

    private function afterSport(Weekday $day, Client $client): bool
    {
        return array_intersect(
            [TrainingType::Endurance->value, TrainingType::SkillSport->value],
            array_map(static fn (TrainingType $type): string => $type->value, $client->otherTrainingOn($day)),
        ) !== [];
    }

    private function lightSlot(Weekday $day, DayUse $use, bool $match, Client $client): Slot
    {
        [$kind, $why] = match ($use) {
            DayUse::SwitchOn => [
                Kind::Activation,
                $match ? 'A match: only a switch-on before it.' : 'A heavy day: only a switch-on before the lift.',
            ],
            DayUse::Finisher => [Kind::AfterLift, 'A heavy day: a short finisher after the lift, under the line of a hard session.'],
            default => [
                $this->afterSport($day, $client) ? Kind::AfterSport : Kind::Standalone,
                $this->liftsHeavy(
                    $day->number() + 1,
                    $client,
                ) ? 'Light: a heavy lift follows tomorrow.' : 'Light: a hard session, a heavy lift or a match stands on a day beside it.',
            ],
        };
        $long = $use === DayUse::SwitchOn || $use === DayUse::Finisher ? $kind : Kind::Standalone;

        return new Slot($day, $kind, false, $this->length($day, $long, $client), [$why]);
    }

    private function liftsHeavy(int $dayNumber, Client $client): bool
    {
        return in_array(TrainingType::HeavyLift, $client->otherTrainingOn(Weekday::cases()[$dayNumber % 7]), true);
    }

    private function length(Weekday $day, Kind $kind, Client $client): Seconds
    {
        $given = Seconds::of(60 * $client->minutesOn($day));
        $most = $kind === Kind::Standalone ? $this->style->standaloneLength : $this->style->shortLength;

        return $given->isLongerThan($most) ? $most : $given;
    }
}
