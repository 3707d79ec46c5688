<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * A part of a rung that most work does not look at: kept packed when the library is kept, and unpacked when it is asked for.
 *
 * @template T of object
 */
final class Packed
{
    /** @param  T|string  $part */
    private function __construct(private object|string $part)
    {
    }

    /**
     * @template U of object
     *
     * @param  U  $part
     * @return self<U>
     */
    public static function of(object $part): self
    {
        return new self($part);
    }

    /**
     * @param  string  $part  packed
     * @return self<object>
     */
    public static function packed(string $part): self
    {
        return new self($part);
    }

    /** @return T */
    public function get(): object
    {
        if (is_string($this->part)) {
            /** @var T $part */
            $part = unserialize($this->part);
            $this->part = $part;
        }

        return $this->part;
    }

    /** @return array{string} */
    public function __serialize(): array
    {
        return [is_string($this->part) ? $this->part : serialize($this->part)];
    }

    /** @param  array{string}  $packed */
    public function __unserialize(array $packed): void
    {
        $this->part = $packed[0];
    }
}
