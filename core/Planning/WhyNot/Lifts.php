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
use EvenRungs\Core\Ladder\Ladder;
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

    /** Minutes of a day that hold a whole session (house rule). */
    private const WHOLE_MINUTES = 45;

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

    /** @return list<Lift> what the plan as a whole leaves no place for, the nearest first */
    public function ofThePlan(): array
    {
        $only = $this->laddersWithOnly();
        $direction = lcfirst($this->rung->category->label());
        $days = array_map(static fn (int $minutes): int => $minutes === 0 ? 0 : max($minutes, self::WHOLE_MINUTES), $this->client->days ?? []);

        return [
            new Lift(
                $this->client->ladders === null || in_array($this->rung->ladder, $this->client->ladders, true) ? 'turn' : 'ladders-chosen',
                $this->client->ladders === null || in_array($this->rung->ladder, $this->client->ladders, true)
                    ? sprintf('Other ladders of %s have their turn: the best two go by turns.', $direction)
                    : sprintf('%s is not among the chosen ladders, and others of %s would have their turn.', $this->ladder(), $direction),
                'ladders',
                static fn (Client $client, Style $style): array => [$client->but(ladders: $only), $style],
            ),
            new Lift(
                'minutes',
                'The minutes of the days leave no room for it.',
                'days',
                static fn (Client $client, Style $style): array => [$client->but(days: $days), $style],
            ),
            new Lift(
                'light-day',
                'Beside other training the days stay light.',
                'other_training',
                static fn (Client $client, Style $style): array => [$client->but(otherTraining: []), $style],
            ),
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
            $lifts[] = new Lift(
                'barred',
                $this->told($obstacles->safety($this->library)),
                'limits',
                static fn (Client $client, Style $style): array => [
                    $client->but(limits: array_values(array_filter(
                        $client->limits,
                        static fn (Limit $limit): bool => ! in_array($limit->rule->id, $limits, true),
                    ))),
                    $style,
                ],
            );
        }
        if ($obstacles->stopped !== null) {
            $lifts[] = new Lift('barred', $this->told($obstacles->safety($this->library)), null, fn (Client $client, Style $style): array => [
                $client->standing(array_diff_key($client->standings, [$this->rung->ladder => true])),
                $style,
            ]);
        }

        return $lifts;
    }

    /** @return list<Lift> */
    private function unsuitable(Obstacles $obstacles): array
    {
        $why = $obstacles->unsuitable;

        return $why === null ? [] : [new Lift(
            str_contains($why, 'clearance') ? 'level' : 'age',
            sprintf('%s %s.', $this->rung->name, $why),
            null,
            static fn (Client $client, Style $style): array => [$client->but(clearances: [], ageless: true), $style],
        )];
    }

    /** @return list<Lift> */
    private function kit(Obstacles $obstacles): array
    {
        $missing = $obstacles->missingKit;

        return $missing === [] ? [] : [new Lift(
            'kit',
            sprintf('%s is not to hand.', implode(' and ', array_map(
                fn (string $kit): string => $this->library->equipment[$kit]->name,
                $missing,
            ))),
            'equipment',
            static fn (Client $client, Style $style): array => [
                $client->but(equipment: array_values(array_unique([...$client->equipment, ...$missing]))),
                $style,
            ],
        )];
    }

    /** @return list<Lift> */
    private function gates(Obstacles $obstacles): array
    {
        $gates = array_map(fn (Gate $gate): Rung => $this->library->rung($gate->rung), $obstacles->unmetGates);

        return $gates === [] ? [] : [new Lift(
            'gate',
            sprintf('First %s.', implode(' and ', array_map($this->gate(...), $obstacles->unmetGates))),
            'tests',
            static fn (Client $client, Style $style): array => [self::clean($client, ...$gates), $style],
        )];
    }

    private function gate(Gate $gate): string
    {
        return sprintf('%s, %s', lcfirst($this->library->rung($gate->rung)->name), $gate->what);
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
        if ($placed === null || $placed->rung === $this->rung) {
            return [];
        }
        $category = $this->rung->category;
        $ability = Shown::by($this->client)->abilityIn($category)->value ?? Placer::UNTESTED_LEVEL;
        $isKnown = isset($this->client->standings[$this->rung->ladder])
            || ! in_array($placed->basis, [Basis::Ability, Basis::Entry, Basis::None], true);
        $isOver = $this->rung->level->value > $ability;
        $told = match (true) {
            ! $isKnown && $isOver => sprintf(
                'It is level %d; %s stands at %d.',
                $this->rung->level->value,
                lcfirst($category->label()),
                $ability,
            ),
            $placed->rung === null => sprintf('Nothing of %s is open yet.', lcfirst($this->ladder())),
            default => sprintf('%s stands on %s there.', $this->client->name, $placed->rung->name),
        };
        $code = ! $isKnown && $isOver ? 'level' : 'stands-elsewhere';
        $gates = array_map(fn (Gate $gate): Rung => $this->library->rung($gate->rung), $obstacles->unmetGates);

        return [match (true) {
            $isKnown || $by === 'standing' => new Lift($code, $told, null, fn (Client $client, Style $style): array => [
                $client->standing([...$client->standings, $this->rung->ladder => new Standing($this->rung)]),
                $style,
            ]),
            $by === 'ability' && $isOver => new Lift($code, $told, 'ability', fn (Client $client, Style $style): array => [
                $client->but(ability: [...$client->ability, $category->value => $this->rung->level]),
                $style,
            ]),
            default => new Lift(
                $code,
                implode(' ', [...array_map(fn (Gate $gate): string => sprintf('First %s.', $this->gate($gate)), $obstacles->unmetGates), $told]),
                'tests',
                fn (Client $client, Style $style): array => [self::clean($client, ...[...$gates, $this->rung]), $style],
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

        return ! $leavesOut ? [] : [new Lift(
            'goal',
            sprintf('%s leaves it out.', $this->goal->name),
            'goal',
            static fn (Client $client, Style $style): array => [$client->but(goal: Goal::General), $style],
        )];
    }

    /** @return list<Lift> */
    private function style(): array
    {
        $lifts = [];
        $category = $this->rung->category;
        if (
            ! (new Moves($this->library, null, $this->style))->isMeant($this->rung)
            || ! in_array($category, [...Category::directions(), Category::Bracing, ...$this->style->plan->accessories], true)
        ) {
            $lifts[] = new Lift('style', sprintf('%s leaves it out.', $this->style->name), null, fn (Client $client, Style $style): array => [
                $client,
                $style->planning($style->plan->having($this->rung)),
            ]);
        }
        if ($this->client->ladders === null && in_array($this->rung->ladder, $this->style->plan->withoutLadders, true)) {
            $ladders = [...$this->inUse(), $this->rung->ladder];
            $lifts[] = new Lift(
                'style',
                sprintf('%s does not plan %s unless it is chosen.', $this->style->name, lcfirst($this->ladder())),
                'ladders',
                static fn (Client $client, Style $style): array => [$client->but(ladders: $ladders), $style],
            );
        }

        return $lifts;
    }

    /** @return list<Lift> */
    private function ladders(): array
    {
        $chosen = $this->client->ladders;

        return $chosen === null || in_array($this->rung->ladder, $chosen, true) ? [] : [new Lift(
            'ladders-chosen',
            sprintf('%s is not among the chosen ladders.', $this->ladder()),
            'ladders',
            fn (Client $client, Style $style): array => [$client->but(ladders: [...$chosen, $this->rung->ladder]), $style],
        )];
    }

    /** @return list<string> ladders that the plan goes by */
    private function inUse(): array
    {
        return $this->client->ladders ?? array_values(array_diff(
            array_map(static fn (Ladder $ladder): string => $ladder->id, $this->library->ladders),
            $this->style->plan->withoutLadders,
        ));
    }

    /** @return list<string> the ladders in use, of its own category only its own; beside the directions no other category */
    private function laddersWithOnly(): array
    {
        $category = $this->rung->category;

        return array_values(array_filter(
            [...array_diff($this->inUse(), [$this->rung->ladder]), $this->rung->ladder],
            function (string $id) use ($category): bool {
                $other = $this->library->ladder($id)->category;

                $isMeant = $category->isDirection() || $other->isDirection() || $other === Category::Bracing;

                return $id === $this->rung->ladder || ($other !== $category && $isMeant);
            },
        ));
    }

    /** @param  list<string>  $what  that follows the exercise's name */
    private function told(array $what): string
    {
        return implode(' ', array_map(fn (string $each): string => sprintf('%s %s.', $this->rung->name, $each), $what));
    }
}
