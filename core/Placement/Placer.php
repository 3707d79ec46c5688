<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Style\Style;

/**
 * Finds the starting rung on every ladder.
 *
 * In this order: where the client stands; the highest clean rung (the lower of two sides); the rung of a timed hold; the highest rung at
 * or under the ability typed for the category. From there down to the nearest rung that nothing forbids.
 */
final class Placer
{
    /** Ability in a category that nobody tested and nothing has shown (house rule). */
    public const UNTESTED_LEVEL = 2;

    /** How far the first rung of a ladder may stand above the ability (house rule). */
    public const ENTRY_REACH = 2;

    private readonly Swaps $swaps;

    /** @param  ?Style  $style  whose steps are meant; null for the rungs' own */
    public function __construct(private readonly Library $library, private readonly ?Style $style = null)
    {
        $this->swaps = new Swaps($library, $style->plan->withoutLadders ?? []);
    }

    /** @return list<Placement> one for each ladder, in library order */
    public function place(Client $client): array
    {
        $steps = new Steps($this->style, $client);

        return array_map(fn (Ladder $ladder): Placement => $this->placeOn($ladder, $client, $steps), $this->library->ladders);
    }

    private function placeOn(Ladder $ladder, Client $client, Steps $steps): Placement
    {
        $obstacles = [];
        foreach ($ladder->rungs as $rung) {
            $obstacles[$rung->id] = Obstacles::between($client, $rung, $this->library);
        }
        $met = array_values(array_filter($obstacles, static fn (Obstacles $each): bool => ! $each->isClear()));
        $start = $this->fromStanding($client->standings[$ladder->id] ?? null, $steps)
            ?? $this->fromClean($ladder, $client, $steps)
            ?? (new TimedStart($ladder, $client, $steps, $obstacles))->start()
            ?? $this->fromAbility($ladder, $client);
        if ($start->rung === null) {
            return new Placement($ladder, null, 0, Basis::None, null, $met, null, $start->why);
        }
        $why = $start->why;
        foreach ($ladder->downFrom($start->rung) as $rung) {
            if ($obstacles[$rung->id]->isClear()) {
                if ($rung !== $start->rung) {
                    $why[] = sprintf('The nearest allowed rung below is %s.', $rung->name);
                }
                [$step, $range] = $rung === $start->rung ? [$start->step, $start->range] : [0, null];

                return new Placement($ladder, $rung, $step, $start->basis, $start->worseSide, $met, null, $why, $range, $steps->of($rung));
            }
            foreach ($obstacles[$rung->id]->sentences($this->library) as $sentence) {
                $why[] = sprintf('%s %s.', $rung->name, $sentence);
            }
        }
        $swap = $this->swaps->sameDirection($start->rung, $client)[0]->rung ?? null;
        $why[] = $swap === null
            ? sprintf('Nothing on this ladder is allowed, and nothing else trains %s here.', strtolower($ladder->category->label()))
            : sprintf('Nothing on this ladder is allowed; %s trains the same.', $swap->name);

        return new Placement($ladder, null, 0, Basis::None, $start->worseSide, $met, $swap, $why);
    }

    private function fromStanding(?Standing $standing, Steps $steps): ?Start
    {
        if ($standing === null) {
            return null;
        }
        $rung = $standing->rung;
        $dose = $standing->dose;
        $step = $dose === null ? $standing->step : $steps->highestNotOver($rung, $dose->measure) ?? (
            $steps->of($rung)[0]->measure->kind() === $dose->measure->kind() ? 0 : $standing->step
        );
        [$step, $range] = $steps->settle($rung, $step, $standing->range ?? $dose?->range);

        return new Start(
            $rung,
            $standing->basis,
            null,
            $standing->why === [] ? [sprintf('Stands on %s.', $rung->name)] : $standing->why,
            $step,
            $range,
        );
    }

    private function fromClean(Ladder $ladder, Client $client, Steps $steps): ?Start
    {
        $clean = $client->tests->ladders[$ladder->id] ?? null;
        if ($clean === null) {
            return null;
        }
        $rung = $clean->lower($ladder);
        $worse = $clean->worseSide($ladder);
        $hold = $rung->timedTest === null ? null : TimedHold::of($rung->timedTest, $client->tests);
        $step = $hold === null ? null : TimedStart::step($rung, $hold, $steps);

        return new Start($rung, Basis::HighestClean, $worse, [
            $worse === null
                ? sprintf('%s is the highest rung done clean.', $rung->name)
                : sprintf('%s is the highest rung done clean on the %s, the worse side; it sets the rung.', $rung->name, $worse),
            ...(
                $step === null || $hold === null ? [] : [
                    sprintf('Held %s: the step is at most two thirds of it (house rule).', TimedStart::seconds($hold->best)),
                ]
            ),
        ], $step ?? 0);
    }

    private function fromAbility(Ladder $ladder, Client $client): Start
    {
        $typed = Shown::by($client)->abilityIn($ladder->category);
        $shown = $typed === null ? $this->shownElsewhere($ladder, $client) : null;
        $level = $typed->value ?? ($shown === null ? self::UNTESTED_LEVEL : max(1, $shown - 1));
        $name = strtolower($ladder->category->label());
        $why = [match (true) {
            Shown::by($client)->isHeldBack($ladder->category) => sprintf(
                'Ability typed as level %d in %s, which nothing has shown: it counts as %d.',
                $client->ability[$ladder->category->value]->value,
                $name,
                $level,
            ),
            $typed !== null => sprintf('Ability typed as level %d in %s.', $level, $name),
            $shown !== null => sprintf(
                '%s was not tested on this ladder; level %d was shown on another, so one less.',
                $ladder->category->label(),
                $shown,
            ),
            default => sprintf('%s was not tested: taken as level %d.', $ladder->category->label(), $level),
        }];
        $rung = $ladder->highestAtOrUnder($level);
        if ($rung !== null) {
            return new Start($rung, Basis::Ability, null, [...$why, sprintf('%s is the highest rung at or under it.', $rung->name)]);
        }
        $first = $ladder->rungs[0];
        if ($first->level->value - $level <= self::ENTRY_REACH) {
            return new Start(
                $first,
                Basis::Entry,
                null,
                [
                    ...$why,
                    sprintf('The ladder starts at level %d, at most %d above: its first rung.', $first->level->value, self::ENTRY_REACH),
                ],
            );
        }

        return new Start(
            null,
            Basis::None,
            null,
            [...$why, sprintf('The ladder starts at level %d, too far above.', $first->level->value)],
        );
    }

    /** The highest level shown on another ladder of the category, by a climbed ladder, a standing or a timed hold. */
    private function shownElsewhere(Ladder $ladder, Client $client): ?int
    {
        $levels = [];
        foreach ($this->library->ladders as $other) {
            if ($other === $ladder || $other->category !== $ladder->category) {
                continue;
            }
            $clean = $client->tests->ladders[$other->id] ?? null;
            $standing = $client->standings[$other->id] ?? null;
            $levels[] = $standing?->rung->level->value;
            $levels[] = $clean?->lower($other)->level->value;
            foreach ($standing === null && $clean === null ? $other->rungs : [] as $rung) {
                $hold = $rung->timedTest === null ? null : TimedHold::of($rung->timedTest, $client->tests);
                $levels[] = $hold === null || $rung->start()->measure->work()->isLongerThan($hold->best) ? null : $rung->level->value;
            }
        }
        $levels = array_filter($levels);

        return $levels === [] ? null : max($levels);
    }
}
