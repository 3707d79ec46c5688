<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;

/**
 * Finds the starting rung on every ladder.
 *
 * In this order: the highest clean rung (the lower of two sides); the rung of a timed hold; the highest rung at or under
 * the ability typed for the category. From there down to the nearest rung that no limit, kit or gate forbids.
 */
final class Placer
{
    /** Ability in a category that nobody tested (house rule). */
    public const UNTESTED_LEVEL = 2;

    /** How far the first rung of a ladder may stand above the ability (house rule). */
    public const ENTRY_REACH = 2;

    public function __construct(private readonly Library $library, private readonly Swaps $swaps)
    {
    }

    /**
     * @param  array<string, Standing>  $standings  where the client is known to stand, by ladder; it goes before tests and ability
     * @return list<Placement> one for each ladder, in library order
     */
    public function place(Client $client, array $standings = []): array
    {
        return array_map(fn (Ladder $ladder): Placement => $this->placeOn($ladder, $client, $standings[$ladder->id] ?? null), $this->library->ladders);
    }

    private function placeOn(Ladder $ladder, Client $client, ?Standing $standing): Placement
    {
        $obstacles = [];
        foreach ($ladder->rungs as $rung) {
            $obstacles[$rung->id] = Obstacles::between($client, $rung, $this->library);
        }
        $met = array_values(array_filter($obstacles, static fn (Obstacles $each): bool => ! $each->isClear()));
        $start = $this->fromStanding($standing) ?? $this->fromClean($ladder, $client) ?? $this->fromTimedHold($ladder, $client) ?? $this->fromAbility($ladder, $client);
        if ($start->rung === null) {
            return new Placement($ladder, null, 0, Basis::None, null, $met, null, $start->why);
        }
        $why = $start->why;
        foreach ($ladder->downFrom($start->rung) as $rung) {
            if ($obstacles[$rung->id]->isClear()) {
                if ($rung !== $start->rung) {
                    $why[] = sprintf('The nearest allowed rung below is %s.', $rung->name);
                }

                $step = $standing !== null && $rung === $standing->rung ? $standing->step : 0;

                return new Placement($ladder, $rung, $step, $start->basis, $start->worseSide, $met, null, $why, $standing !== null);
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

    private function fromStanding(?Standing $standing): ?Start
    {
        return $standing === null ? null : new Start($standing->rung, $standing->basis, null, $standing->why === [] ? [sprintf('Stands on %s.', $standing->rung->name)] : $standing->why);
    }

    private function fromClean(Ladder $ladder, Client $client): ?Start
    {
        $clean = $client->tests->ladders[$ladder->id] ?? null;
        if ($clean === null) {
            return null;
        }
        $rung = $clean->lower($ladder);
        $worse = $clean->worseSide($ladder);

        return new Start($rung, Basis::HighestClean, $worse, [
            $worse === null
                ? sprintf('%s is the highest rung done clean.', $rung->name)
                : sprintf('%s is the highest rung done clean on the %s, the worse side; it sets the rung.', $rung->name, $worse),
        ]);
    }

    private function fromTimedHold(Ladder $ladder, Client $client): ?Start
    {
        foreach ($ladder->rungs as $i => $rung) {
            $hold = $rung->timedTest === null ? null : TimedHold::of($rung->timedTest, $client->tests);
            if ($hold === null) {
                continue;
            }
            $needed = $rung->start()->measure->longestHold();
            $reached = ! $needed->isLongerThan($hold->best);
            $placed = $reached ? $rung : $ladder->rungs[max(0, $i - 1)];
            $side = $hold->worseSide === null ? '' : sprintf(' on the %s, the worse side', $hold->worseSide);

            return new Start($placed, Basis::Test, $hold->worseSide, [
                sprintf('Held %s%s; %s starts at %s, so %s.', self::seconds($hold->best), $side, $rung->name, self::seconds($needed), $reached ? 'it is reached' : 'the rung below it is taken'),
            ]);
        }

        return null;
    }

    private function fromAbility(Ladder $ladder, Client $client): Start
    {
        $typed = $client->abilityIn($ladder->category);
        $level = $typed->value ?? self::UNTESTED_LEVEL;
        $why = [$typed === null
            ? sprintf('%s was not tested: taken as level %d.', $ladder->category->label(), $level)
            : sprintf('Ability typed as level %d in %s.', $level, strtolower($ladder->category->label()))];
        $rung = $ladder->highestAtOrUnder($level);
        if ($rung !== null) {
            return new Start($rung, Basis::Ability, null, [...$why, sprintf('%s is the highest rung at or under it.', $rung->name)]);
        }
        $first = $ladder->rungs[0];
        if ($first->level->value - $level <= self::ENTRY_REACH) {
            return new Start($first, Basis::Entry, null, [...$why, sprintf('The ladder starts at level %d, at most %d above: its first rung.', $first->level->value, self::ENTRY_REACH)]);
        }

        return new Start(null, Basis::None, null, [...$why, sprintf('The ladder starts at level %d, too far above.', $first->level->value)]);
    }

    private static function seconds(Seconds $time): string
    {
        return $time->toNumber().' s';
    }
}
