<?php

declare(strict_types=1);

namespace EvenRungs\Core;

use DateTimeInterface;

/**
 * How a studio writes amounts and days in sentences. Everything is kept in kilograms, centimetres, metres and ISO dates, whatever is shown.
 *
 * One way holds at a time, for everything that is said meanwhile, as a locale does; without one, as the documents write it: metric and ISO.
 */
final class Writing
{
    /** The international pound and inch, exact; a foot is twelve inches. */
    public const POUND_KG = 0.45359237;

    public const INCH_CM = 2.54;

    public const FOOT_METRES = 0.3048;

    private const SHORT_METRES = 3;

    private static ?self $now = null;

    /**
     * @param  bool  $imperial  pounds, inches and feet
     * @param  string  $day  how a day is written, in the letters of PHP's date
     * @param  bool  $words  doses in whole words; otherwise in shorthand, as the documents write them
     */
    public function __construct(
        private readonly bool $imperial = false,
        private readonly string $day = 'Y-m-d',
        private readonly bool $words = false,
    ) {
    }

    /**
     * What is done, with everything in it written this way.
     *
     * @template T
     *
     * @param  callable(): T  $do
     * @return T
     */
    public function during(callable $do): mixed
    {
        $before = self::$now;
        self::$now = $this;
        try {
            return $do();
        } finally {
            self::$now = $before;
        }
    }

    /** A load, such as `8 kg` or, to half a pound, `17.5 lb`. */
    public static function load(int|float $kg): string
    {
        return self::amount($kg, 'kg', self::POUND_KG, 'lb', 0.5);
    }

    /** How far a movement goes, such as `30 cm` or, to half an inch, `12 in`. */
    public static function reach(int|float $cm): string
    {
        return self::amount($cm, 'cm', self::INCH_CM, 'in', 0.5);
    }

    /** How far something is carried, such as `20 m` or, in whole feet, `66 ft`; what is short to half a foot, so that it reads back. */
    public static function distance(int|float $metres): string
    {
        return self::amount($metres, 'm', self::FOOT_METRES, 'ft', $metres < self::SHORT_METRES ? 0.5 : 1);
    }

    public static function day(DateTimeInterface $day): string
    {
        return $day->format(self::now()->day);
    }

    public static function inWords(): bool
    {
        return self::now()->words;
    }

    private static function now(): self
    {
        return self::$now ?? new self;
    }

    private static function amount(int|float $metric, string $unit, float $one, string $imperial, float $to): string
    {
        return self::now()->imperial
            ? self::number(round($metric / $one / $to) * $to).' '.$imperial
            : self::number($metric).' '.$unit;
    }

    /** A number with at most three decimals and no zeros behind them. */
    public static function number(int|float $value): string
    {
        return is_int($value) ? (string) $value : rtrim(rtrim(sprintf('%.3F', $value), '0'), '.');
    }
}
