<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Unreadable;

/**
 * Whole numbers of so many bits each, one after the other, the highest bit first.
 */
final class Bits
{
    private int $at = 0;

    /** @param  string  $bits  of 0 and 1 */
    private function __construct(private string $bits)
    {
    }

    public static function none(): self
    {
        return new self('');
    }

    public static function of(string $bytes): self
    {
        return new self(implode('', array_map(static fn (string $byte): string => sprintf('%08b', ord($byte)), str_split($bytes))));
    }

    /** @param  int  $value  from 0 to what so many bits hold */
    public function put(int $value, int $bits): void
    {
        $this->bits .= sprintf("%0{$bits}b", $value);
    }

    /**
     * @phpstan-impure
     *
     * @throws Unreadable where there are no so many left
     */
    public function take(int $bits): int
    {
        if ($this->at + $bits > strlen($this->bits)) {
            throw Unreadable::because('ends too early');
        }
        $value = (int) bindec(substr($this->bits, $this->at, $bits));
        $this->at += $bits;

        return $value;
    }

    /** What was put, the last byte filled with zeros. */
    public function bytes(): string
    {
        $bytes = $this->bits === '' ? [] : str_split($this->bits, 8);

        return implode('', array_map(static fn (string $byte): string => chr((int) bindec(str_pad($byte, 8, '0'))), $bytes));
    }

    /** Where the byte after the last one that was taken from begins. */
    public function bytesTaken(): int
    {
        return intdiv($this->at + 7, 8);
    }
}
