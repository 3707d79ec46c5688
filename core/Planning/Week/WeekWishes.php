<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\TrainingType;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;

/**
 * What a week should be: the minutes of each day, other training, how often each direction, how many hard days, and what is wished
 * for single days.
 */
final class WeekWishes
{
    /** A direction takes about this long in a session (house rule). */
    private const DIRECTION_MS = 180_000;

    /**
     * @param  list<int>  $ms  milliseconds for a session on each day, Monday first; 0 where none is offered
     * @param  list<bool>  $heavy  days of a heavy lift or a match
     * @param  list<bool>  $match  days of a match: nothing but a switch-on
     * @param  list<bool>  $sport  days with endurance or skill sport
     * @param  list<bool>  $elsewhere  days with other training of any kind
     * @param  array<string, int>  $times  sessions a week by direction code
     * @param  array<int, DayUse>  $wished  use of single days by number, Monday 0
     */
    public function __construct(
        public readonly array $ms,
        public readonly array $heavy,
        public readonly array $match,
        public readonly array $sport,
        public readonly array $elsewhere,
        public readonly array $times,
        public readonly int $hardDays,
        public readonly int $trainingDays,
        public readonly int $longestMs,
        public readonly int $shortMs,
        public readonly array $wished = [],
        private readonly int $mostDirections = 4,
    ) {
    }

    /**
     * @param  list<Weekday>  $matches
     * @param  array<int, DayUse>  $wished
     */
    public static function of(Client $client, Style $style, ?GoalRule $goal = null, array $matches = [], array $wished = []): self
    {
        $has = static fn (Weekday $day, TrainingType ...$types): bool => array_filter(
            $client->otherTrainingOn($day),
            static fn (TrainingType $each): bool => in_array($each, $types, true),
        ) !== [];
        $times = [];
        foreach (Category::directions() as $direction) {
            $times[$direction->value] = $goal->sessions[$direction->value] ?? $style->directionSessions;
        }

        return new self(
            array_map(static fn (Weekday $day): int => Seconds::of(60 * $client->minutesOn($day))->ms, Weekday::cases()),
            array_map(
                static fn (Weekday $day): bool => $has($day, TrainingType::HeavyLift) || in_array($day, $matches, true),
                Weekday::cases(),
            ),
            array_map(static fn (Weekday $day): bool => in_array($day, $matches, true), Weekday::cases()),
            array_map(static fn (Weekday $day): bool => $has($day, TrainingType::Endurance, TrainingType::SkillSport), Weekday::cases()),
            array_map(
                static fn (Weekday $day): bool => in_array($day, $matches, true) || $has(
                    $day,
                    TrainingType::HeavyLift,
                    TrainingType::LightLift,
                    TrainingType::Endurance,
                    TrainingType::SkillSport,
                ),
                Weekday::cases(),
            ),
            $times,
            $style->mostHardDays,
            $style->mostTrainingDays,
            $style->standaloneLength->ms,
            $style->shortLength->ms,
            $wished,
            $style->plan->mostDirections(),
        );
    }

    /** @return list<DayUse> what a day may be used for: no hard work on a day of heavy lifting, the day before it, or around a match */
    public function uses(int $day): array
    {
        return match (true) {
            $this->ms[$day] === 0 => [DayUse::Free],
            $this->match[$day] => [DayUse::SwitchOn, DayUse::Free],
            $this->heavy[$day] => [DayUse::SwitchOn, DayUse::Finisher, DayUse::Free],
            $this->heavy[($day + 1) % 7] => [DayUse::Light, DayUse::Free],
            default => [DayUse::Hard, DayUse::Light, DayUse::Free],
        };
    }

    /** Milliseconds that a session of this use takes on a day at most. */
    public function length(int $day, DayUse $use): int
    {
        return min($this->ms[$day], match ($use) {
            DayUse::Free => 0,
            DayUse::SwitchOn, DayUse::Finisher => $this->shortMs,
            DayUse::Light, DayUse::Hard => $this->longestMs,
        });
    }

    /** How many directions a session of this use can train. A switch-on counts for none. */
    public function room(int $day, DayUse $use): int
    {
        $fits = min($this->mostDirections, intdiv($this->length($day, $use), self::DIRECTION_MS));

        return match ($use) {
            DayUse::Free, DayUse::SwitchOn => 0,
            DayUse::Light, DayUse::Finisher => min(SessionShape::LIGHT_DIRECTIONS, $fits),
            DayUse::Hard => min(count(Category::directions()), $fits),
        };
    }
}
