<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use DateTimeImmutable;
use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;

/**
 * What is left of a program from a day on, moved by whole weeks: while the client is away, or because it begins later.
 */
final class Shift
{
    public const MOST_WEEKS = 52;

    /**
     * @param  int  $weeks  1 to 52
     * @param  ?DateTimeImmutable  $to  the last day away, where somebody is
     *
     * @throws InvalidValue when out of range
     */
    public function __construct(
        public readonly DateTimeImmutable $from,
        public readonly int $weeks,
        public readonly ?DateTimeImmutable $to = null,
    ) {
        if ($weeks < 1 || $weeks > self::MOST_WEEKS) {
            throw OutOfRange::outside('the number of weeks', $weeks, 1, self::MOST_WEEKS, 'weeks');
        }
    }

    /**
     * Away from one day to another, both included: as few weeks as bring every session that falls between them behind the last day.
     *
     * @throws InvalidValue when the last day is before the first
     */
    public static function away(DateTimeImmutable $from, DateTimeImmutable $to): self
    {
        $days = (int) $from->diff($to)->format('%r%a') + 1;
        if ($days < 1) {
            throw Contradiction::because('the last day away lies before the first');
        }

        return new self($from, intdiv($days + 6, 7), $to);
    }

    public function apply(DateTimeImmutable $day): DateTimeImmutable
    {
        return $day < $this->from ? $day : $day->modify(sprintf('+%d days', 7 * $this->weeks));
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return [
            'from' => $this->from->format('Y-m-d'),
            'weeks' => $this->weeks,
            ...($this->to === null ? [] : ['to' => $this->to->format('Y-m-d')]),
        ];
    }
}
