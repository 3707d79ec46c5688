<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\WhyNot;

use EvenRungs\Core\Client\Bar;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Client\HighestClean;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Client\Tests;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Gate;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Everything that may keep one exercise out of one client's plan, each with its lift.
 */
final class Lifts
{
    /** How a level is lifted, the least first: by ability, by what was shown clean, or only by standing there. */
    public const BY = ['ability', 'clean', 'standing'];

    /**
     * @param  GoalRule  $goal  of the client
     * @param  list<Placement>  $placements  of the client in the style
     */
    public function __construct(
        private readonly Library $library,
        private readonly Style $style,
        private readonly GoalRule $goal,
        private readonly Client $client,
        private readonly array $placements,
        private readonly Rung $rung,
    ) {
    }

    /**
     * @param  'ability'|'clean'|'standing'  $by  how a level is lifted
     * @return list<Lift> what stands between the client and the exercise, whatever else the plan holds
     */
    public function standing(string $by): array
    {
        $obstacles = Obstacles::between($this->client, $this->rung, $this->library);
        $level = $this->level($obstacles, $by);

        return [
            ...$this->bars($obstacles),
            ...$this->unsuitable($obstacles),
            ...$this->kit($obstacles),
            // what was shown clean lifts level and gate in one edit
            ...($by === 'clean' && $level !== [] ? [] : $this->gates($obstacles)),
            ...$level,
            ...$this->goal(),
            ...$this->style(),
            ...$this->ladders(),
        ];
    }

    private function ladder(): string
    {
        return $this->library->ladderOf($this->rung)->name;
    }

    /** @return list<Lift> */
    private function bars(Obstacles $obstacles): array
    {
        $lifts = [];
        $limits = array_unique(array_map(static fn (Bar $bar): string => $bar->limit, $obstacles->bars));
        if ($limits !== []) {
            $lifts[] = Lift::ofClient(
                'barred',
                $this->told($obstacles->safety($this->library)),
                'limits',
                static fn (Client $client): Client => $client->but(limits: array_values(array_filter(
                    $client->limits,
                    static fn (Limit $limit): bool => ! in_array($limit->rule->id, $limits, true),
                ))),
            );
        }
        if ($obstacles->stopped !== null) {
            $lifts[] = Lift::ofClient(
                'barred',
                $this->told($obstacles->safety($this->library)),
                null,
                fn (Client $client): Client => $client->standing(array_diff_key($client->standings, [$this->rung->ladder => true])),
            );
        }

        return $lifts;
    }

    /** @return list<Lift> */
    private function unsuitable(Obstacles $obstacles): array
    {
        $why = $obstacles->unsuitable;

        return $why === null ? [] : [Lift::ofClient(
            str_contains($why, 'clearance') ? 'level' : 'age',
            sprintf('%s %s.', $this->rung->name, $why),
            null,
            static fn (Client $client): Client => $client->but(clearances: [], ageless: true),
        )];
    }

    /** @return list<Lift> */
    private function kit(Obstacles $obstacles): array
    {
        $missing = $obstacles->missingKit;

        return $missing === [] ? [] : [Lift::ofClient(
            'kit',
            sprintf('%s is not to hand.', implode(' and ', array_map(
                fn (string $kit): string => $this->library->equipment[$kit]->name,
                $missing,
            ))),
            'equipment',
            static fn (Client $client): Client => $client->but(
                equipment: array_values(array_unique([...$client->equipment, ...$missing])),
            ),
        )];
    }

    /** @return list<Lift> */
    private function gates(Obstacles $obstacles): array
    {
        $gates = array_map(fn (Gate $gate): Rung => $this->library->rung($gate->rung), $obstacles->unmetGates);

        return $gates === [] ? [] : [Lift::ofClient(
            'gate',
            implode(' ', array_map($this->first(...), $obstacles->unmetGates)),
            'tests',
            static fn (Client $client): Client => self::clean($client, ...$gates),
        )];
    }

    private function first(Gate $gate): string
    {
        return sprintf('First %s, %s.', lcfirst($this->library->rung($gate->rung)->name), $gate->what);
    }

    private static function clean(Client $client, Rung ...$rungs): Client
    {
        $ladders = $client->tests->ladders;
        foreach ($rungs as $rung) {
            $ladders[$rung->ladder] = new HighestClean($rung, $rung);
        }

        return $client->but(tests: new Tests($client->tests->holds, $ladders));
    }

    /** @return list<Lift> */
    private function level(Obstacles $obstacles, string $by): array
    {
        $placed = $this->placement();
        $category = $this->rung->category;
        if ($placed === null || $placed->rung === $this->rung) {
            return $this->style->plan->opensEasiest && $category === Category::Bracing ? [Lift::ofClient(
                'level',
                sprintf('%s begins with the easiest rung that was not shown clean.', $this->style->name),
                'tests',
                fn (Client $client): Client => self::clean($client, $this->rung),
            )] : [];
        }
        $ability = Shown::by($this->client)->abilityIn($category)->value ?? Placer::UNTESTED_LEVEL;
        $isKnown = isset($this->client->standings[$this->rung->ladder])
            || ! in_array($placed->basis, [Basis::Ability, Basis::Entry, Basis::None], true);
        $level = $this->rung->level->value;
        $isOver = $level > $ability;
        $told = match (true) {
            ! $isKnown && $isOver => sprintf('It is level %d; %s stands at %d.', $level, lcfirst($category->label()), $ability),
            $placed->rung === null => sprintf('Nothing of %s is open yet.', lcfirst($this->ladder())),
            default => sprintf('%s stands on %s there.', $this->client->name, $placed->rung->name),
        };
        $code = ! $isKnown && $isOver ? 'level' : 'stands-elsewhere';
        $gates = array_map(fn (Gate $gate): Rung => $this->library->rung($gate->rung), $obstacles->unmetGates);

        return [match (true) {
            $isKnown || $by === 'standing' => Lift::ofClient($code, $told, null, fn (Client $client): Client => $client->standing(
                [...$client->standings, $this->rung->ladder => new Standing($this->rung)],
            )),
            $by === 'ability' && $isOver => Lift::ofClient($code, $told, 'ability', fn (Client $client): Client => $client->but(
                ability: [...$client->ability, $category->value => $this->rung->level],
            )),
            default => Lift::ofClient(
                $code,
                implode(' ', [...array_map($this->first(...), $obstacles->unmetGates), $told]),
                'tests',
                fn (Client $client): Client => self::clean($client, ...[...$gates, $this->rung]),
            ),
        }];
    }

    private function placement(): ?Placement
    {
        foreach ($this->placements as $placement) {
            if ($placement->ladder->id === $this->rung->ladder) {
                return $placement;
            }
        }

        return null;
    }

    /** @return list<Lift> */
    private function goal(): array
    {
        $leavesOut = ! $this->goal->allows($this->rung) || in_array($this->rung->category, $this->goal->without, true);

        return ! $leavesOut ? [] : [Lift::ofClient(
            'goal',
            sprintf('%s leaves it out.', $this->goal->name),
            'goal',
            static fn (Client $client): Client => $client->but(goal: Goal::General),
        )];
    }

    /** @return list<Lift> */
    private function style(): array
    {
        $lifts = [];
        $category = $this->rung->category;
        $meant = [...Category::directions(), Category::Bracing, ...$this->style->plan->accessories];
        if (
            ! (new Moves($this->library, null, $this->style))->isMeant($this->rung)
            || ! (in_array($this->rung->ladder, $this->client->ladders ?? [], true) || in_array($category, $meant, true))
        ) {
            $lifts[] = new Lift(
                'style',
                sprintf('%s leaves it out.', $this->style->name),
                null,
                fn (Client $client, Style $style): array => [$client, $style->planning($style->plan->having($this->rung))],
            );
        }
        if ($this->client->ladders === null && in_array($this->rung->ladder, $this->style->plan->withoutLadders, true)) {
            $ladders = [...PlanLifts::laddersInUse($this->client, $this->style, $this->library), $this->rung->ladder];
            $lifts[] = Lift::ofClient(
                'style',
                sprintf('%s does not plan %s unless it is chosen.', $this->style->name, lcfirst($this->ladder())),
                'ladders',
                static fn (Client $client): Client => $client->but(ladders: $ladders),
            );
        }

        return $lifts;
    }

    /** @return list<Lift> */
    private function ladders(): array
    {
        $chosen = $this->client->ladders;

        return $chosen === null || in_array($this->rung->ladder, $chosen, true) ? [] : [Lift::ofClient(
            'ladders-chosen',
            sprintf('%s is not among the chosen ladders.', $this->ladder()),
            'ladders',
            fn (Client $client): Client => $client->but(ladders: [...$chosen, $this->rung->ladder]),
        )];
    }

    /** @param  list<string>  $what  that follows the exercise's name */
    private function told(array $what): string
    {
        return sprintf('%s %s.', $this->rung->name, implode('; ', $what));
    }
}
