<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use DateTimeImmutable;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Time\Weekday;

/**
 * The person a program is for.
 */
final class Client
{
    /**
     * @param  ?int  $born  year of birth
     * @param  int|float|null  $massKg  kilograms
     * @param  array<string, Level>  $ability  as typed, by category code; a category that is not there was not tested
     * @param  list<Limit>  $limits
     * @param  list<string>  $equipment  kit ids to hand
     * @param  array<string, int>|null  $days  minutes to spend by day code; null where nobody asked
     * @param  list<OtherTraining>  $otherTraining
     * @param  ?Screen  $screen  null where nobody asked
     * @param  array<string, string>  $shown  highest rung that training showed to be done clean, by ladder
     * @param  ?Home  $home  days trained at home, and the kit there; null where all training is at the studio
     * @param  ?DateTimeImmutable  $asOf  the day that is spoken of; null where nobody says, and then nothing has an end and nobody an age
     * @param  array<string, Standing>  $standings  where the client stands, by ladder
     * @param  ?Stop  $stopped  a stop of everything
     * @param  list<Clearance>  $clearances
     * @param  list<string>|null  $ladders  ladders that the trainer chose; null for all that the style does not leave out
     * @param  list<Category>  $held  directions whose rung the trainer holds for evenness
     * @param  array<string, 'left'|'right'>  $extraSets  the side that gets one set more, by ladder
     */
    public function __construct(
        public readonly string $name,
        public readonly Goal $goal = Goal::General,
        public readonly ?int $born = null,
        public readonly NormGroup $normGroup = NormGroup::None,
        public readonly int|float|null $massKg = null,
        public readonly ?TrainingAge $trained = null,
        public readonly array $ability = [],
        public readonly array $limits = [],
        public readonly array $equipment = [],
        public readonly ?array $days = null,
        public readonly array $otherTraining = [],
        public readonly ?Screen $screen = null,
        public readonly Tests $tests = new Tests,
        public readonly array $shown = [],
        public readonly ?Home $home = null,
        public readonly ?DateTimeImmutable $asOf = null,
        public readonly array $standings = [],
        public readonly ?Stop $stopped = null,
        public readonly array $clearances = [],
        public readonly ?array $ladders = null,
        public readonly array $held = [],
        public readonly array $extraSets = [],
    ) {
    }

    /**
     * The same client with some of what is known of them different; null keeps it.
     *
     * @param  list<Limit>|null  $limits
     * @param  list<string>|null  $equipment
     * @param  array<string, int>|null  $days
     * @param  array<string, string>|null  $shown
     * @param  array<string, Standing>|null  $standings
     * @param  list<Clearance>|null  $clearances
     * @param  list<Category>|null  $held
     * @param  array<string, 'left'|'right'>|null  $extraSets
     * @param  array<string, Level>|null  $ability
     * @param  list<OtherTraining>|null  $otherTraining
     * @param  list<string>|null  $ladders
     */
    public function but(
        ?array $limits = null,
        ?array $equipment = null,
        ?array $days = null,
        ?array $shown = null,
        ?array $standings = null,
        ?array $clearances = null,
        ?Stop $stopped = null,
        ?DateTimeImmutable $asOf = null,
        bool $away = false,
        ?array $held = null,
        ?array $extraSets = null,
        ?Goal $goal = null,
        ?array $ability = null,
        ?array $otherTraining = null,
        ?Tests $tests = null,
        ?array $ladders = null,
        bool $ageless = false,
    ): self {
        return new self(
            $this->name,
            $goal ?? $this->goal,
            $ageless ? null : $this->born,
            $this->normGroup,
            $this->massKg,
            $this->trained,
            $ability ?? $this->ability,
            $limits ?? $this->limits,
            $equipment ?? $this->equipment,
            $days ?? $this->days,
            $otherTraining ?? $this->otherTraining,
            $this->screen,
            $tests ?? $this->tests,
            $shown ?? $this->shown,
            $away ? null : $this->home,
            $asOf ?? $this->asOf,
            $standings ?? $this->standings,
            $stopped ?? $this->stopped,
            $clearances ?? $this->clearances,
            $ladders ?? $this->ladders,
            $held ?? $this->held,
            $extraSets ?? $this->extraSets,
        );
    }

    /** @param  array<string, string>  $shown  highest rung that training showed to be done clean since the tests, by ladder */
    public function withShown(array $shown): self
    {
        return $this->but(shown: $shown);
    }

    /**
     * The same client on a day, with what is known of them outside their document.
     *
     * @param  array<string, Standing>  $standings  by ladder
     * @param  list<Clearance>  $clearances
     */
    public function known(DateTimeImmutable $asOf, array $standings, array $clearances, ?Stop $stopped): self
    {
        return $this->but(standings: $standings, clearances: $clearances, stopped: $stopped, asOf: $asOf);
    }

    /** @param  array<string, Standing>  $standings  by ladder */
    public function standing(array $standings): self
    {
        return $this->but(standings: $standings);
    }

    /**
     * With what evens the client out, as long as it is part of the plan.
     *
     * @param  list<Category>  $held  directions whose rung waits for the others
     * @param  array<string, 'left'|'right'>  $extraSets  the side that gets one set more, by ladder
     */
    public function evened(array $held, array $extraSets = []): self
    {
        return $this->but(held: $held, extraSets: $extraSets);
    }

    /** Whether a rung may not be left for the next one, for evenness. */
    public function holds(Rung $rung): bool
    {
        return in_array($rung->category, $this->held, true);
    }

    public function on(DateTimeImmutable $day): self
    {
        return $this->but(asOf: $day);
    }

    /** The same client with one more limit, where it is not among the limits already. */
    public function with(Limit $limit): self
    {
        $known = array_map(static fn (Limit $each): string => $each->rule->id, $this->limits);

        return in_array($limit->rule->id, $known, true) ? $this : $this->but(limits: [...$this->limits, $limit]);
    }

    /**
     * The same client where it is sore today; what is sore anyway counts as the worse of both.
     *
     * @param  list<Limit>  $today
     */
    public function sore(array $today): self
    {
        $limits = [];
        foreach ([...$this->limits, ...$today] as $limit) {
            $known = $limits[$limit->rule->id] ?? null;
            if ($known === null || $limit->severity->barsFrom() < $known->severity->barsFrom()) {
                $limits[$limit->rule->id] = $limit;
            }
        }

        return $this->but(limits: array_values($limits));
    }

    /** The same client with the kit that is at home; with none where nothing is known of it. */
    public function atHome(): self
    {
        return $this->but(equipment: $this->home->equipment ?? []);
    }

    /**
     * The same client somewhere else, with other minutes and kit.
     *
     * @param  array<string, int>  $days  minutes by day code
     * @param  list<string>  $equipment  kit ids
     */
    public function inPlace(array $days, array $equipment): self
    {
        return $this->but(equipment: $equipment, days: $days, away: true);
    }

    public function hasMedicalLimit(): bool
    {
        return array_filter($this->limits, static fn (Limit $limit): bool => $limit->rule->medical) !== [];
    }

    public function isAtHomeOn(Weekday $day): bool
    {
        return $this->home !== null && in_array($day, $this->home->days, true);
    }

    /** @return list<Bar> every reason a limit of this client bars the rung */
    public function bars(Rung $rung): array
    {
        return array_merge([], ...array_map(static fn (Limit $limit): array => $limit->bars($rung), $this->limits));
    }

    /** @return list<Limit> limits that the rung loads, though not so much that they bar it: care is due */
    public function cautions(Rung $rung): array
    {
        return array_values(array_filter(
            $this->limits,
            static fn (Limit $limit): bool => $limit->bars($rung) === [] && array_filter(
                $limit->rule->stresses,
                static fn (string $stress): bool => $rung->grade($stress) > 0,
            ) !== [],
        ));
    }

    /** @return list<string> required kit that is not to hand */
    public function missingKit(Rung $rung): array
    {
        return array_values(array_diff($rung->equipment, $this->equipment));
    }

    public function minutesOn(Weekday $day): int
    {
        return $this->days[$day->value] ?? 0;
    }

    /** @return list<TrainingType> */
    public function otherTrainingOn(Weekday $day): array
    {
        $types = [];
        foreach ($this->otherTraining as $other) {
            if ($other->day === $day) {
                $types[] = $other->type;
            }
        }

        return $types;
    }
}
