<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use Closure;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Which directions a week has less often than the style asks, and why: the fewest things that keep it short, found by planning the week
 * without them.
 */
final class WeekGaps
{
    private readonly GapLifts $lifts;

    /** @var array<string, array{Client, Gap}> by client, direction and how often */
    private array $found = [];

    /** @var array<string, array<string, int>> what weeks without something train, by client and what they are without */
    private array $weeks = [];

    /**
     * @param  Closure(Client): array<string, list<ExerciseChoice>>  $choices  what is open to a client, by category
     * @param  Closure(Client): array<string, int>  $covered  how many sessions of a week train each direction
     */
    public function __construct(
        private readonly Library $library,
        private readonly Style $style,
        private readonly GoalRule $goal,
        private readonly Closure $choices,
        private readonly Closure $covered,
    ) {
        $this->lifts = new GapLifts($library);
    }

    /**
     * @param  array<string, int>  $covered  sessions that train each direction
     * @param  array<string, int>  $whole  likewise in the week that a lighter one was made of
     * @return list<Gap>
     */
    public function of(int $week, Client $client, array $covered, array $whole): array
    {
        $gaps = [];
        foreach (Category::directions() as $direction) {
            $times = $covered[$direction->value];
            if ($whole[$direction->value] >= $this->style->directionSessions && $times < $this->style->directionSessions) {
                $gaps[] = new Gap($direction, $week, self::often($times, 'the week is a lighter one'));
            } elseif ($times < $this->style->directionSessions) {
                $key = implode(' ', [spl_object_id($client), $direction->value, $times]);
                // the client is kept so that no other ever has the same number
                [, $gap] = $this->found[$key] ??= [$client, $this->gap($client, $direction, $times)];
                $gaps[] = new Gap($direction, $week, $gap->why, $gap->codes);
            }
        }

        return $gaps;
    }

    private function gap(Client $client, Category $direction, int $times): Gap
    {
        $hasChoice = fn (Client $lifted): bool => ($this->choices)($lifted)[$direction->value] !== [];
        $hasNone = ! $hasChoice($client);
        $codes = $hasNone
            ? $this->fewest(GapLifts::OF_CHOICE, $client, $direction, static fn (Client $lifted, array $codes): bool => $hasChoice($lifted))
            : $this->fewest(GapLifts::OF_PLACE, $client, $direction, fn (Client $lifted, array $codes): bool => $this->coveredBy(
                $client,
                $lifted,
                $codes,
            )[$direction->value] >= $this->style->directionSessions);
        $told = array_map(fn (string $code): string => $this->told($code, $client, $direction), $codes);
        $why = match (true) {
            $told !== [] => implode(', and ', $told),
            $hasNone => 'nothing of it is open',
            default => sprintf('%s leaves it at that', $this->style->name),
        };

        return new Gap($direction, 1, self::often($times, $why), $codes);
    }

    private static function often(int $times, string $why): string
    {
        return match ($times) {
            0 => ucfirst($why).'.',
            1 => sprintf('Once only: %s.', $why),
            default => sprintf('%d times only: %s.', $times, $why),
        };
    }

    /**
     * What a week without these trains; it is the same for every direction.
     *
     * @param  list<string>  $codes
     * @return array<string, int>
     */
    private function coveredBy(Client $client, Client $lifted, array $codes): array
    {
        return $this->weeks[spl_object_id($client).' '.implode(' ', $codes)] ??= ($this->covered)($lifted);
    }

    /**
     * The fewest that together lift it; none where nothing does.
     *
     * @param  list<string>  $codes
     * @param  callable(Client, list<string>): bool  $isLifted  with the client without these
     * @return list<string>
     */
    private function fewest(array $codes, Client $client, Category $direction, callable $isLifted): array
    {
        foreach ($codes as $code) {
            $lifted = $this->lifts->lift($code, $client, $direction);
            if ($lifted !== $client && $isLifted($lifted, [$code])) {
                return [$code];
            }
        }
        if (! $isLifted($this->lifts->all($codes, $client, $direction), $codes)) {
            return [];
        }
        foreach ($codes as $code) {
            $others = array_values(array_diff($codes, [$code]));
            if ($isLifted($this->lifts->all($others, $client, $direction), $others)) {
                $codes = $others;
            }
        }

        return $codes;
    }

    private function told(string $code, Client $client, Category $direction): string
    {
        $days = count(array_filter($client->days ?? []));

        return match ($code) {
            'kit' => sprintf('without %s nothing of it is open', $this->missingKit($client, $direction)),
            'ladders-chosen' => 'none of its ladders is chosen',
            'goal' => sprintf('the goal leaves out every rung that is allowed: %s', lcfirst($this->goal->name)),
            'barred' => sprintf('every rung of it is barred: %s', implode(', ', array_map(
                static fn (Limit $limit): string => lcfirst($limit->rule->name),
                $client->limits,
            ))),
            'level' => sprintf(
                'its first rungs stand too far above level %d',
                Shown::by($client)->abilityIn($direction)->value ?? Placer::UNTESTED_LEVEL,
            ),
            'minutes' => 'the minutes of the days leave no room for it',
            'light-day' => 'the days beside other training stay light',
            default => $days === 1 ? 'the week has one training day' : sprintf('the week has %d training days', $days),
        };
    }

    private function missingKit(Client $client, Category $direction): string
    {
        $lifted = ($this->choices)($this->lifts->lift('kit', $client, $direction))[$direction->value];
        $missing = $lifted === [] ? [] : array_diff($lifted[0]->rung->equipment, $client->equipment);

        return implode(' and ', array_map(fn (string $kit): string => lcfirst($this->library->equipment[$kit]->name), $missing)) ?: 'kit';
    }
}
