<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Time\Seconds;

/**
 * What a warm-up and a cool-down are made of, move by move, as a planned session keeps it in its `x`.
 */
final class Prepared
{
    private const KEY = 'prepare';

    /**
     * @param  list<array{string, Seconds}>  $warmUp  ids of moves with their time
     * @param  list<array{string, Seconds}>  $coolDown  likewise
     */
    public function __construct(public readonly array $warmUp, public readonly array $coolDown)
    {
    }

    /** What a session says; a part whose moves do not add up to its time any more has none. */
    public static function of(Session $session): self
    {
        $kept = $session->x->parts(self::KEY);

        return new self(
            self::read($kept['warm_up'] ?? null, $session->warmUp),
            self::read($kept['cool_down'] ?? null, $session->coolDown),
        );
    }

    /** @return list<array{string, Seconds}> */
    private static function read(mixed $moves, Seconds $time): array
    {
        $read = [];
        foreach (is_array($moves) ? $moves : [] as $move) {
            if (is_array($move) && is_string($move['move'] ?? null) && is_int($move['s'] ?? null) && $move['s'] > 0) {
                $read[] = [$move['move'], Seconds::of($move['s'])];
            }
        }

        return self::total($read)->equals($time) ? $read : [];
    }

    /** @param  list<array{string, Seconds}>  $moves */
    private static function total(array $moves): Seconds
    {
        return Seconds::ofMs(array_sum(array_map(static fn (array $each): int => $each[1]->ms, $moves)));
    }

    public function into(Session $session): Session
    {
        $written = array_filter(['warm_up' => self::written($this->warmUp), 'cool_down' => self::written($this->coolDown)]);

        return $session->withPreparation(
            self::total($this->warmUp),
            self::total($this->coolDown),
            $written === [] ? $session->x->without(self::KEY)->orNone() : $session->x->with(self::KEY, $written),
        );
    }

    /**
     * @param  list<array{string, Seconds}>  $moves
     * @return list<array{move: string, s: int}>
     */
    private static function written(array $moves): array
    {
        return array_map(static fn (array $each): array => ['move' => $each[0], 's' => intdiv($each[1]->ms, 1000)], $moves);
    }

    /** Whether all the time that a session is prepared has moves. */
    public function fills(Session $session): bool
    {
        return self::total($this->warmUp)->equals($session->warmUp) && self::total($this->coolDown)->equals($session->coolDown);
    }

    /** The first moves of each part, in no more time than is given. */
    public function within(Seconds $warmUp, Seconds $coolDown): self
    {
        return new self(self::first($this->warmUp, $warmUp), self::first($this->coolDown, $coolDown));
    }

    /**
     * @param  list<array{string, Seconds}>  $moves
     * @return list<array{string, Seconds}>
     */
    private static function first(array $moves, Seconds $time): array
    {
        $kept = [];
        $left = $time->ms;
        foreach ($moves as [$move, $takes]) {
            $ms = min($left, $takes->ms);
            $kept = $ms > 0 ? [...$kept, [$move, Seconds::ofMs($ms)]] : $kept;
            $left -= $ms;
        }

        return $kept;
    }
}
