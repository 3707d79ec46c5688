<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Group;

/**
 * Who is where at each turn of a group's round: everybody at the same station, or each at another, one station on with every turn. Kit is
 * counted against what is there at the same moment; where people rotate, an order of them is looked for in which it suffices.
 */
final class GroupTurns
{
    private const MOST_LOOKED = 5_000;

    /**
     * @param  list<list<GroupPlace>>  $stations  each with the place of every member, in their order
     * @param  list<int>|null  $slots  by member, how many stations on they begin; null where everybody is at the same one
     */
    private function __construct(private readonly array $stations, public readonly ?array $slots)
    {
    }

    /** @param  list<list<GroupPlace>>  $stations */
    public static function together(array $stations): self
    {
        return new self($stations, null);
    }

    /**
     * @param  list<list<GroupPlace>>  $stations
     * @param  array<string, int>  $kit  how many pieces there are, by kit id; what is not named suffices
     */
    public static function rotating(array $stations, array $kit = []): self
    {
        $members = count($stations[0] ?? []);
        $best = new self($stations, $members === 0 ? [] : range(0, $members - 1));
        $looked = 0;
        $fits = $best->missing($kit) === 0 ? $best->slots : self::fitting(
            $stations,
            $kit,
            array_fill_keys(range(0, max(0, $members - 1)), true),
            [],
            $looked,
        );
        if ($fits !== null) {
            return new self($stations, $fits);
        }
        $missing = $best->missing($kit);
        // two people change places as long as less is missing by it
        for ($better = true; $better && $missing > 0;) {
            $better = false;
            for ($a = 0; $a < $members && ! $better; $a++) {
                for ($b = $a + 1; $b < $members && ! $better; $b++) {
                    $slots = $best->slots ?? [];
                    [$slots[$a], $slots[$b]] = [$slots[$b], $slots[$a]];
                    $other = new self($stations, array_values($slots));
                    if ($other->missing($kit) < $missing) {
                        [$best, $missing, $better] = [$other, $other->missing($kit), true];
                    }
                }
            }
        }

        return $best;
    }

    /**
     * An order in which the kit suffices, looked for person by person.
     *
     * @param  list<list<GroupPlace>>  $stations
     * @param  array<string, int>  $kit
     * @param  array<int, true>  $free  slots that nobody has yet
     * @param  list<int>  $slots  of the members so far
     * @param  int  $looked  at so many orders, up to a bound
     * @return list<int>|null null where there is none, or none was found in time
     */
    private static function fitting(array $stations, array $kit, array $free, array $slots, int &$looked): ?array
    {
        if ($free === []) {
            return $slots;
        }
        foreach (array_keys($free) as $slot) {
            $some = [...$slots, $slot];
            $part = new self(array_map(static fn (array $places): array => array_slice($places, 0, count($some)), $stations), $some);
            if ($looked++ < self::MOST_LOOKED && $part->missing($kit) === 0) {
                $found = self::fitting($stations, $kit, array_diff_key($free, [$slot => true]), $some, $looked);
                if ($found !== null) {
                    return $found;
                }
            }
        }

        return null;
    }

    public function turns(): int
    {
        return count($this->stations);
    }

    /** The station, from 0, at which a member is at a turn, from 0. */
    public function stationOf(int $member, int $turn): int
    {
        return $this->slots === null ? $turn : ($turn + $this->slots[$member]) % max(1, count($this->stations));
    }

    /** @return list<GroupPlace> of every member at a turn, in their order */
    public function at(int $turn): array
    {
        return array_map(
            fn (int $member): GroupPlace => $this->stations[$this->stationOf($member, $turn)][$member],
            array_keys($this->stations[0] ?? []),
        );
    }

    /**
     * What is not there often enough.
     *
     * @param  array<string, int>  $kit  how many pieces there are, by kit id
     * @return list<array{kit: string, turn: int, needs: int, has: int}> turns from 1
     */
    public function short(array $kit): array
    {
        $short = [];
        for ($turn = 0; $turn < $this->turns(); $turn++) {
            $needs = [];
            foreach ($this->at($turn) as $place) {
                foreach ($place->rung->equipment ?? [] as $piece) {
                    $needs[$piece] = ($needs[$piece] ?? 0) + 1;
                }
            }
            foreach ($kit as $piece => $has) {
                if (($needs[$piece] ?? 0) > $has) {
                    $short[] = ['kit' => $piece, 'turn' => $turn + 1, 'needs' => $needs[$piece], 'has' => $has];
                }
            }
        }

        return $short;
    }

    /** @return list<string> kit that somebody needs, each once */
    public function kit(): array
    {
        $kit = [];
        foreach (array_merge([], ...$this->stations) as $place) {
            $kit = [...$kit, ...$place->rung->equipment ?? []];
        }

        return array_values(array_unique($kit));
    }

    /** @param  array<string, int>  $kit */
    private function missing(array $kit): int
    {
        return array_sum(array_map(static fn (array $each): int => $each['needs'] - $each['has'], $this->short($kit)));
    }

    /** The turn, from 0, at which a member is at a station; the first where they never come to it. */
    public function turnAt(int $member, int $station): int
    {
        for ($turn = 0; $turn < $this->turns(); $turn++) {
            if ($this->stationOf($member, $turn) === $station) {
                return $turn;
            }
        }

        return 0;
    }
}
