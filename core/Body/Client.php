<?php

declare(strict_types=1);

namespace EvenRungs\Core\Body;

use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Session\Day;

/**
 * The person a program is for.
 */
final class Client
{
    /**
     * @param  ?int  $born  year of birth
     * @param  int|float|null  $massKg  kilograms
     * @param  array<string, Level>  $ability  by category code; a category that is not there was not tested
     * @param  list<Limit>  $limits
     * @param  list<string>  $equipment  kit ids to hand
     * @param  array<string, int>|null  $days  minutes to spend by day code; null where nobody asked
     * @param  list<OtherTraining>  $otherTraining
     * @param  ?Screen  $screen  null where nobody asked
     * @param  array<string, string>  $shown  highest rung that training showed to be done clean, by ladder
     * @param  ?Home  $home  days trained at home, and the kit there; null where all training is at the studio
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
    ) {
    }

    /**
     * The same client with what training has shown since the tests.
     *
     * @param  array<string, string>  $shown  highest rung known to be done clean, by ladder
     */
    public function withShown(array $shown): self
    {
        return new self($this->name, $this->goal, $this->born, $this->normGroup, $this->massKg, $this->trained, $this->ability, $this->limits, $this->equipment, $this->days, $this->otherTraining, $this->screen, $this->tests, $shown, $this->home);
    }

    /** The same client with one more limit, where it is not among the limits already. */
    public function with(Limit $limit): self
    {
        $known = array_map(static fn (Limit $each): string => $each->rule->id, $this->limits);

        return in_array($limit->rule->id, $known, true)
            ? $this
            : new self($this->name, $this->goal, $this->born, $this->normGroup, $this->massKg, $this->trained, $this->ability, [...$this->limits, $limit], $this->equipment, $this->days, $this->otherTraining, $this->screen, $this->tests, $this->shown, $this->home);
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

        return new self($this->name, $this->goal, $this->born, $this->normGroup, $this->massKg, $this->trained, $this->ability, array_values($limits), $this->equipment, $this->days, $this->otherTraining, $this->screen, $this->tests, $this->shown, $this->home);
    }

    public function withScreen(Screen $screen): self
    {
        return new self($this->name, $this->goal, $this->born, $this->normGroup, $this->massKg, $this->trained, $this->ability, $this->limits, $this->equipment, $this->days, $this->otherTraining, $screen, $this->tests, $this->shown, $this->home);
    }

    /** The same client with the kit that is at home; with none where nothing is known of it. */
    public function atHome(): self
    {
        return new self($this->name, $this->goal, $this->born, $this->normGroup, $this->massKg, $this->trained, $this->ability, $this->limits, $this->home->equipment ?? [], $this->days, $this->otherTraining, $this->screen, $this->tests, $this->shown, $this->home);
    }

    /**
     * The same client somewhere else, with other minutes and kit.
     *
     * @param  array<string, int>  $days  minutes by day code
     * @param  list<string>  $equipment  kit ids
     */
    public function inPlace(array $days, array $equipment): self
    {
        return new self($this->name, $this->goal, $this->born, $this->normGroup, $this->massKg, $this->trained, $this->ability, $this->limits, $equipment, $days, $this->otherTraining, $this->screen, $this->tests, $this->shown);
    }

    public function isAtHomeOn(Day $day): bool
    {
        return $this->home !== null && in_array($day, $this->home->days, true);
    }

    public function abilityIn(Category $category): ?Level
    {
        return $this->ability[$category->value] ?? null;
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
            static fn (Limit $limit): bool => $limit->bars($rung) === [] && array_filter($limit->rule->stresses, static fn (string $stress): bool => $rung->grade($stress) > 0) !== [],
        ));
    }

    /** @return list<string> required kit that is not to hand */
    public function missingKit(Rung $rung): array
    {
        return array_values(array_diff($rung->equipment, $this->equipment));
    }

    public function minutesOn(Day $day): int
    {
        return $this->days[$day->value] ?? 0;
    }

    /** @return list<TrainingType> */
    public function otherTrainingOn(Day $day): array
    {
        $types = [];
        foreach ($this->otherTraining as $other) {
            if ($other->day === $day) {
                $types[] = $other->type;
            }
        }

        return $types;
    }

    /** The longest unbroken hold that the client's limits allow, or null where none caps it. */
    public function holdCap(): ?Seconds
    {
        $cap = null;
        foreach ($this->limits as $limit) {
            $own = $limit->rule->holdCap;
            $cap = $own !== null && ($cap === null || $cap->isLongerThan($own)) ? $own : $cap;
        }

        return $cap;
    }

    /**
     * Whether a typed ability is at least one level above a gate rung, or a test or log shows the rung done clean.
     */
    public function hasShown(Rung $gate, Library $library): bool
    {
        $typed = $this->abilityIn($gate->category);
        if ($typed !== null && $typed->value >= $gate->level->value + 1) {
            return true;
        }
        $ladder = $library->ladderOf($gate);
        $clean = $this->tests->ladders[$ladder->id] ?? null;
        $highest = max(
            $clean === null ? -1 : $ladder->indexOf($clean->lower($ladder)->id) ?? -1,
            isset($this->shown[$ladder->id]) ? $ladder->indexOf($this->shown[$ladder->id]) ?? -1 : -1,
        );

        return $highest >= $ladder->indexOf($gate->id);
    }
}
