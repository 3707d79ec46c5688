<?php

declare(strict_types=1);

namespace EvenRungs\Core\Time;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;
use EvenRungs\Core\Unreadable;

/**
 * A span of time of at least zero, counted in whole milliseconds.
 */
final class Seconds
{
    private function __construct(public readonly int $ms)
    {
    }

    /**
     * @param  int|float  $seconds  zero or more; rounded to the nearest millisecond
     *
     * @throws InvalidValue when negative or not finite
     */
    public static function of(int|float $seconds): self
    {
        if (! is_finite($seconds) || $seconds < 0) {
            throw OutOfRange::because('a time in seconds must be zero or more');
        }

        return new self((int) round($seconds * 1000));
    }

    /** @throws InvalidValue when negative */
    public static function ofMs(int $ms): self
    {
        if ($ms < 0) {
            throw OutOfRange::because('a time in milliseconds must be zero or more');
        }

        return new self($ms);
    }

    public static function zero(): self
    {
        return new self(0);
    }

    /**
     * Reads `0:45`, `12:05`, `45`, `45s` or `7.5`.
     *
     * @throws InvalidValue when the text is none of these
     */
    public static function parse(string $text): self
    {
        if (preg_match('/^(\d{1,4}):([0-5]\d(?:\.\d{1,3})?)$/', $text, $m) === 1) {
            return self::of((int) $m[1] * 60 + (float) $m[2]);
        }
        if (preg_match('/^(\d{1,5}(?:\.\d{1,3})?)\s*s?$/', $text, $m) === 1) {
            return self::of((float) $m[1]);
        }
        throw Unreadable::because(sprintf('"%s" is not a time; write 0:45, 45 or 45s', $text));
    }

    public function plus(self $other): self
    {
        return new self($this->ms + $other->ms);
    }

    /** @param  int  $times zero or more */
    public function times(int $times): self
    {
        return self::ofMs($this->ms * $times);
    }

    public function isZero(): bool
    {
        return $this->ms === 0;
    }

    public function isLongerThan(self $other): bool
    {
        return $this->ms > $other->ms;
    }

    public function equals(self $other): bool
    {
        return $this->ms === $other->ms;
    }

    /** Seconds as a number: an integer when whole. */
    public function toNumber(): int|float
    {
        return $this->ms % 1000 === 0 ? intdiv($this->ms, 1000) : $this->ms / 1000;
    }

    /** As shown to people: `m:ss`, with the fraction only where there is one. */
    public function toClock(): string
    {
        $whole = intdiv($this->ms, 1000);
        $fraction = $this->ms % 1000 === 0 ? '' : '.'.rtrim(sprintf('%03d', $this->ms % 1000), '0');

        return sprintf('%d:%02d%s', intdiv($whole, 60), $whole % 60, $fraction);
    }
}
