<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;

/**
 * What a warm-up and a cool-down are made of, move by move; they may leave time that nobody filled.
 */
final class Prepared
{
    /**
     * @param  list<array{string, Seconds}>  $warmUp  moves with their time, by id or as somebody wrote them
     * @param  list<array{string, Seconds}>  $coolDown  likewise
     */
    public function __construct(public readonly array $warmUp = [], public readonly array $coolDown = [])
    {
    }

    /** @param  list<array{string, Seconds}>  $moves */
    public static function total(array $moves): Seconds
    {
        return Seconds::ofMs(array_sum(array_map(static fn (array $each): int => $each[1]->ms, $moves)));
    }

    /** @throws InvalidValue where the moves take longer than there is time for them */
    public function checkWithin(Seconds $warmUp, Seconds $coolDown): void
    {
        foreach (['warm-up' => [$this->warmUp, $warmUp], 'cool-down' => [$this->coolDown, $coolDown]] as $part => [$moves, $time]) {
            if (self::total($moves)->isLongerThan($time)) {
                throw Contradiction::because(
                    sprintf('the moves of the %s add up to %s, more than its %s', $part, self::total($moves)->toClock(), $time->toClock()),
                );
            }
        }
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
