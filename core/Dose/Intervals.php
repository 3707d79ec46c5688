<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Unreadable;

/**
 * Short holds with breaks between, together one set: 4 × 10 s with 5 s breaks.
 */
final class Intervals implements Measure
{
    /**
     * @param  int  $count  1 to 50
     * @param  Seconds  $hold  1 to 3600 s
     * @param  Seconds  $break  0 to 3600 s
     *
     * @throws InvalidValue when out of range
     */
    public function __construct(
        public readonly int $count,
        public readonly Seconds $hold,
        public readonly Seconds $break,
    ) {
        Bounds::Count->check($count);
        Bounds::Hold->check($hold->toNumber());
        Bounds::Rest->check($break->toNumber());
    }

    public function work(): Seconds
    {
        return $this->hold->times($this->count);
    }

    public function breaks(): Seconds
    {
        return $this->break->times($this->count - 1);
    }

    public function longestHold(): Seconds
    {
        return $this->break->isZero() ? $this->work() : $this->hold;
    }

    public function amount(): int
    {
        return $this->work()->ms;
    }

    public function kind(): MeasureKind
    {
        return MeasureKind::Intervals;
    }

    /**
     * Repeats as a table writes them, such as `4x10/5`: how many, seconds held, seconds between.
     *
     * @throws InvalidValue where it is not written so, or out of range
     */
    public static function parse(string $text): self
    {
        if (preg_match('/^(\d{1,3})\s*[x×]\s*(\d{1,4}(?:\.\d{1,3})?)\s*\/\s*(\d{1,4}(?:\.\d{1,3})?)$/u', $text, $m) !== 1) {
            throw Unreadable::because(sprintf('"%s" is not written as 4x10/5', mb_substr($text, 0, 40)));
        }

        return new self((int) $m[1], Seconds::of((float) $m[2]), Seconds::of((float) $m[3]));
    }
}
