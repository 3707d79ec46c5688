<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

use DateTimeImmutable;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;
use EvenRungs\Core\Time\Weekday;

/**
 * The load of seven days on end. A day's load is the effort of its sessions (0 to 10) times their minutes, so its unit is
 * effort-minutes; a day without training counts 0, a day about which nothing is known is null and never 0.
 *
 * Foster C (1998) Med Sci Sports Exerc 30(7):1164–1168. The SD is the sample SD (divided by 6), which the source leaves open.
 */
final class WeekLoad
{
    public const DAYS = 7;

    /**
     * @param  float  $total  of the days that are known, in effort-minutes
     * @param  ?float  $monotony  mean over SD; null where a day is unknown or all days are alike
     * @param  ?float  $strain  total times monotony
     * @param  list<string>  $unknown  ISO dates of the days about which nothing is known
     */
    private function __construct(
        public readonly float $total,
        public readonly ?float $monotony,
        public readonly ?float $strain,
        public readonly array $unknown = [],
    ) {
    }

    /** The first of the seven days that end with the given one. */
    public static function from(DateTimeImmutable $last): DateTimeImmutable
    {
        return $last->modify(sprintf('-%d days', self::DAYS - 1));
    }

    /**
     * The seven days that end with the given one. A day that the plan trains and nobody logged is unknown, not a rest day.
     *
     * @param  array<string, list<?int>>  $logged  effort-minutes of the sessions by ISO date; null where one or the other lacks
     * @param  list<Weekday>  $trained  days on which the plan trains
     */
    public static function upTo(DateTimeImmutable $last, array $logged, array $trained): self
    {
        $days = [];
        for ($on = self::from($last); $on <= $last; $on = $on->modify('+1 day')) {
            $done = $logged[$on->format('Y-m-d')] ?? null;
            $days[$on->format('Y-m-d')] = match (true) {
                $done !== null => in_array(null, $done, true) ? null : (float) array_sum($done),
                in_array(Weekday::cases()[(int) $on->format('N') - 1], $trained, true) => null,
                default => 0.0,
            };
        }
        $week = self::of(array_values($days));

        return new self(
            $week->total,
            $week->monotony,
            $week->strain,
            array_keys(array_filter($days, static fn (?float $load): bool => $load === null)),
        );
    }

    /**
     * @param  list<?float>  $days  effort-minutes of each day, oldest first
     *
     * @throws InvalidValue where these are not seven days of 0 or more
     */
    public static function of(array $days): self
    {
        $known = array_values(array_filter($days, static fn (?float $load): bool => $load !== null));
        if (count($days) !== self::DAYS || ($known !== [] && min($known) < 0)) {
            throw OutOfRange::because('A week has seven days, each with a load of 0 or more.');
        }
        $total = array_sum($known);
        if (count($known) < self::DAYS || min($known) === max($known)) {
            return new self($total, null, null);
        }
        $mean = $total / self::DAYS;
        $variance = array_sum(array_map(static fn (float $load): float => ($load - $mean) ** 2, $known)) / (self::DAYS - 1);
        $monotony = $mean / sqrt($variance);

        return new self($total, $monotony, $total * $monotony);
    }
}
